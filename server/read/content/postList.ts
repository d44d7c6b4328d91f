import { readWords } from '../../../core/posts/filterPosts'
import { POSTS_AT_A_TIME, type PostList, type PostListQuery } from '../../../shared/read/postList'
import type { ListedPost } from '../../../shared/read/content'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { PostRow } from '../../figures/questions/posts'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql, type Query } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'
import { listedPost } from './listPosts'

const INTERACTIONS =
  'IF(COALESCE(reactions, comments, shares, saves) IS NULL, NULL, COALESCE(reactions, 0) + COALESCE(comments, 0) + ' +
  'COALESCE(shares, 0) + COALESCE(saves, 0))'
const SHARE = `(${INTERACTIONS}) / (impressions + 0e0)`
const RATE = `IF(impressions > 0 AND ${SHARE} <= 1, ${SHARE}, NULL)`
/** The ends of the 95 % interval of the rate (Wilson 1927), as core/statistics/wilson.ts has them. */
const Z = 1.959963984540054
/** Counted in floating point: a number that is written without its power of ten would be counted digit by digit. */
const real = (value: number) => `${value}e0`
const MIDDLE = `(rate + ${real((Z * Z) / 2)} / impressions)`
const HALF = `${real(Z)} * SQRT(rate * (1e0 - rate) / impressions + ${real((Z * Z) / 4)} / impressions / impressions)`
const WHOLE = `(1e0 + ${real(Z * Z)} / impressions)`

/** What each order goes by, the largest first; a post without it comes last. */
const ORDERED_BY: Record<PostListQuery['order'], string> = {
  newest: 'UNIX_TIMESTAMP(published_at)',
  oldest: '-UNIX_TIMESTAMP(published_at)',
  interactions: 'interactions',
  fewest_interactions: '-(interactions + 0e0)',
  impressions: 'impressions',
  fewest_impressions: '-(impressions + 0e0)',
  rate: 'rate',
  sure: `((${MIDDLE} - ${HALF}) / ${WHOLE})`,
  lowest: `-((${MIDDLE} + ${HALF}) / ${WHOLE})`,
}
/** Below everything that a post can be ordered by. */
const LAST = '-1e300'

/** More posts than any client has: what is counted once is not counted again wherever it is used. */
const MOST_POSTS = 1_000_000_000

/** How many posts are read together for a file. */
const FILE_AT_A_TIME = 5000

type Where = Pick<PostListQuery, 'only' | 'any' | 'all' | 'none'>

/**
 * The next posts of a scope in an order, from the database as many as are shown; the first of them with how many there
 * are in all.
 *
 * @throws Problem 400 when what they are to come after is nothing that was given before
 */
export async function postList(
  db: ClientDb,
  scope: ResolvedScope,
  query: PostListQuery,
  most = POSTS_AT_A_TIME,
): Promise<PostList> {
  const where = whereOf(scope, query)
  // the posts are put in order by as little as that takes, and only those that are shown are read whole
  const rows = await db.rows<PostRow & { place: number }>(sql`
    SELECT   p.profile_id, p.remote_id, p.published_at, p.day, p.format, p.text, p.impressions, p.reactions, p.comments,
             p.shares, p.saves, k.place
    FROM     (SELECT   profile_id, remote_id, place
              FROM     (SELECT profile_id, remote_id, COALESCE(${raw(ORDERED_BY[query.order])}, ${raw(LAST)}) + 0e0 AS place
                        FROM   (SELECT profile_id, remote_id, published_at, impressions, ${raw(INTERACTIONS)} AS interactions,
                                       ${raw(RATE)} AS rate
                                FROM   post
                                WHERE  client_id = ${db.client}
                                AND    ${where}
                                LIMIT  ${MOST_POSTS}) counted) placed
              WHERE    ${beyond(query.after)}
              ORDER BY place DESC, profile_id, remote_id
              LIMIT    ${most + 1}) k
    JOIN     post p ON p.client_id = ${db.client} AND p.profile_id = k.profile_id AND p.remote_id = k.remote_id
    ORDER BY k.place DESC, k.profile_id, k.remote_id`)
  const shown = rows.slice(0, most)
  const last = rows.length > most ? shown.at(-1)! : undefined
  const list: PostList = {
    posts: shown.map((row) => listedPost(scope, row)),
    next: last ? JSON.stringify([last.place, last.profile_id, last.remote_id]) : null,
  }
  if (query.after !== '') return list
  const formats = await db.rows<{ format: string; posts: number }>(sql`
    SELECT   format, COUNT(*) AS posts
    FROM     post
    WHERE    client_id = ${db.client}
    AND      ${whereOf(scope, { ...query, only: '' })}
    GROUP BY format
    ORDER BY format`)
  return {
    ...list,
    total: formats.reduce(
      (sum, { format, posts }) => (query.only === '' || query.only === format ? sum + posts : sum),
      0,
    ),
    formats: formats.map(({ format }) => format),
  }
}

/** Every post of a list, for a file. */
export async function wholePostList(
  db: ClientDb,
  scope: ResolvedScope,
  query: Omit<PostListQuery, 'after'>,
): Promise<ListedPost[]> {
  const all: ListedPost[] = []
  for (let after: string | null = ''; after !== null; ) {
    const { posts, next }: PostList = await postList(db, scope, { ...query, after }, FILE_AT_A_TIME)
    all.push(...posts)
    after = next
  }
  return all
}

function whereOf({ profiles, period }: ResolvedScope, { only, any, all, none }: Where): Query<false> {
  const has = (word: string) => sql`text LIKE ${`%${word.replace(/[\\%_]/g, '\\$&')}%`}`
  const conditions = [
    sql`profile_id IN (${profiles.map(({ profile_id: profile }) => profile)})`,
    sql`day BETWEEN ${period.from} AND ${period.to}`,
    ...(only ? [sql`format = ${only}`] : []),
    ...readWords(all).map(has),
    ...readWords(none).map((word) => sql`NOT ${has(word)}`),
  ]
  const some = readWords(any).map(has)
  if (some.length > 0) conditions.push(sql`(${some.reduce((list, one) => sql`${list} OR ${one}`)})`)
  return conditions.reduce((list, one) => sql`${list} AND ${one}`)
}

/** SQL for the posts that come after one. */
function beyond(after: string): Query<false> {
  if (after === '') return sql`1 = 1`
  const [place, profile, id] = readPlace(after)
  return sql`(place < CAST(${place} AS DOUBLE) OR (place = CAST(${place} AS DOUBLE)
    AND (profile_id > ${profile} OR (profile_id = ${profile} AND remote_id > ${id}))))`
}

function readPlace(text: string): [place: number, profile: number, id: string] {
  try {
    const [place, profile, id] = JSON.parse(text) as [unknown, unknown, unknown]
    if (Number.isFinite(place) && Number.isSafeInteger(profile) && typeof id === 'string' && id.length <= 40)
      return [place as number, profile as number, id]
  } catch {
    // what is no JSON was not given by us either
  }
  throw badRequest('The list cannot go on from there. Open it again.')
}
