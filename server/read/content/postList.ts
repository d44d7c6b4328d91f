import type { OthersMedians } from '../../../core/posts/othersMedians'
import { postFigureById } from '../../../core/posts/postFigures'
import { POSTS_AT_A_TIME, postColumnsOf, type PostList, type PostListQuery } from '../../../shared/read/postList'
import type { ListedPost } from '../../../shared/read/content'
import { postFilterOf } from '../../../shared/read/postFilter'
import { readPostOrder, type PostOrder } from '../../../shared/read/postOrder'
import type { ResolvedScope } from '../../figures/resolveScope'
import { POST_COLUMNS, type PostRow } from '../../figures/questions/posts'
import { real, sumOf, timesOf, usualOf, usualOfProfiles, valueOf } from '../../figures/questions/postValues'
import { wherePosts } from '../../figures/questions/wherePosts'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql, type Query } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'
import { listedPost, wantedBy, withTags } from './listPosts'

/** Below everything that a post can be ordered by. */
const LAST = '-1e300'
const Z2 = 1.959963984540054 ** 2

/**
 * SQL for an end of the 95 % interval of the share that `value` is of `base`, both counts (Wilson 1927), as
 * core/statistics/wilson.ts has it; below everything where there is no such share: of a value above its base the root
 * is none of a number, and nothing is divided by a base of nothing.
 */
function endOfShare(sign: '+' | '-'): string {
  const half = `SQRT(value * (base - value) / base * ${real(Z2)} + ${real((Z2 / 2) ** 2)})`
  const end = `(value + ${real(Z2 / 2)} ${sign} ${half}) / (base + ${real(Z2)})`
  return `COALESCE(${sign === '+' ? '-' : ''}${end}, ${LAST})`
}

/** What a list is ordered by: SQL of a value of a post `p`, of its base, and of the place that follows, the largest first. */
function placeOf({ by, figure, isRising }: PostOrder, usual: ReadonlyMap<number, OthersMedians>) {
  const place = `COALESCE(${isRising ? '-' : ''}(value + 0e0), ${LAST})`
  if (by === 'published') return { value: 'UNIX_TIMESTAMP(p.published_at)', base: 'NULL', place }
  if (by === 'times') return { value: timesOf(usual), base: 'NULL', place }
  const kind = postFigureById(figure)
  const isSure = by === 'sure' && kind.base !== undefined && kind.unit === 'share'
  if (!isSure) return { value: valueOf(kind), base: 'NULL', place }
  const base = `p.${kind.base!.column} + 0e0`
  return { value: sumOf(kind.top), base, place: endOfShare(isRising ? '+' : '-') }
}

/** More posts than any client has: what is counted once is not counted again wherever it is used. */
const MOST_POSTS = 1_000_000_000

/** How many posts are read together for a file. */
const FILE_AT_A_TIME = 5000

/** What a list is asked for; what is left out is not asked. */
export type PostListAsked = Partial<PostListQuery>

/**
 * The next posts of a scope in an order, from the database as many as are shown; the first of them with how many there
 * are in all.
 *
 * @throws Problem 400 when what they are to come after is nothing that was given before
 */
export async function postList(
  db: ClientDb,
  scope: ResolvedScope,
  query: PostListAsked,
  most = POSTS_AT_A_TIME,
): Promise<PostList> {
  const { order = 'newest', after = '', columns = '' } = query
  const shownColumns = postColumnsOf(columns)
  const parsed = readPostOrder(order)
  if (!parsed) throw badRequest(`Posts are not ordered by “${order}”.`)
  const isUsual = parsed.by === 'times' || shownColumns.includes('times')
  const usual = isUsual ? await usualOfProfiles(db, scope) : new Map<number, OthersMedians>()
  const { value, base, place } = placeOf(parsed, usual)
  // the posts are put in order by as little as that takes, and only those that are shown are read whole
  const rows = await db.rows<PostRow & { place: number; usual: number | null }>(sql`
    SELECT   ${POST_COLUMNS}, ${raw(usualOf(usual))} AS usual, k.place
    FROM     (SELECT   profile_id, remote_id, place
              FROM     (SELECT profile_id, remote_id, ${raw(place)} AS place
                        FROM   (SELECT p.profile_id, p.remote_id, ${raw(value)} AS value, ${raw(base)} AS base
                                FROM   post p
                                WHERE  p.client_id = ${db.client}
                                AND    ${whereOf(scope, query)}
                                LIMIT  ${MOST_POSTS}) counted) placed
              WHERE    ${beyond(after)}
              ORDER BY place DESC, profile_id, remote_id
              LIMIT    ${most + 1}) k
    JOIN     post p ON p.client_id = ${db.client} AND p.profile_id = k.profile_id AND p.remote_id = k.remote_id
    ORDER BY k.place DESC, k.profile_id, k.remote_id`)
  const shown = rows.slice(0, most)
  const last = rows.length > most ? shown.at(-1)! : undefined
  const list: PostList = {
    posts: await withTags(
      db,
      shown.map((row) => {
        const post = listedPost(scope, row, shownColumns)
        if (row.usual === null) return post
        const times = post.interactions !== null && row.usual > 0 ? post.interactions / row.usual : undefined
        return { ...post, usual: row.usual, ...(times !== undefined && { times }) }
      }),
    ),
    next: last ? JSON.stringify([last.place, last.profile_id, last.remote_id]) : null,
  }
  if (after !== '') return list
  const formats = await db.rows<{ format: string; posts: number }>(sql`
    SELECT   p.format, COUNT(*) AS posts
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      ${whereOf(scope, { ...query, only: '' })}
    GROUP BY p.format
    ORDER BY p.format`)
  const { only = '' } = query
  return {
    ...list,
    total: formats.reduce((sum, { format, posts }) => (only === '' || only === format ? sum + posts : sum), 0),
    formats: formats.map(({ format }) => format),
  }
}

/** Every post of a list, for a file. */
export async function wholePostList(db: ClientDb, scope: ResolvedScope, query: PostListAsked): Promise<ListedPost[]> {
  const all: ListedPost[] = []
  for (let after: string | null = ''; after !== null; ) {
    const { posts, next }: PostList = await postList(db, scope, { ...query, after }, FILE_AT_A_TIME)
    all.push(...posts)
    after = next
  }
  return all
}

const whereOf = ({ profiles, period }: ResolvedScope, query: PostListAsked): Query<false> =>
  wherePosts({
    ...wantedBy(postFilterOf(query)),
    profiles: profiles.map(({ profile_id: profile }) => profile),
    from: period.from,
    to: period.to,
  })

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
