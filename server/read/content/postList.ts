import { daysEnding, lengthOf } from '../../../core/periods/period'
import { othersMedians, type OthersMedians } from '../../../core/posts/othersMedians'
import { postFigureById, type PostFigureKind } from '../../../core/posts/postFigures'
import { USUAL_DAYS } from '../../../core/posts/bestAndWorst'
import { POSTS_AT_A_TIME, postColumnsOf, type PostList, type PostListQuery } from '../../../shared/read/postList'
import type { ListedPost } from '../../../shared/read/content'
import { postFilterOf } from '../../../shared/read/postFilter'
import { readPostOrder, type PostOrder } from '../../../shared/read/postOrder'
import type { ResolvedScope } from '../../figures/resolveScope'
import { POST_COLUMNS, type PostRow } from '../../figures/questions/posts'
import { wherePosts } from '../../figures/questions/wherePosts'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql, type Query } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'
import { listedPost, wantedBy, withTags } from './listPosts'

/**
 * SQL for what is counted of a post `p`: one column, or several as far as they are known; these in floating point, which
 * holds counts exactly and is added up several times faster than columns that have a sign with numbers that have none.
 */
function sumOf(columns: readonly string[]): string {
  const own = columns.map((column) => `p.${column}`)
  return own.length === 1
    ? own[0]!
    : `IF(COALESCE(${own.join(', ')}) IS NULL, NULL, ${own.map((each) => `COALESCE(${each}, 0e0)`).join(' + ')})`
}

/** SQL for a figure of a post, as `postValue` of core/posts has it; counted in floating point where it is a ratio. */
function valueOf({ top, base, unit }: PostFigureKind): string {
  const sum = sumOf(top)
  if (!base) return sum
  const ratio = `(${sum}) / (p.${base.column} + 0e0)`
  return unit === 'share'
    ? `IF(p.${base.column} > 0 AND (${sum}) <= p.${base.column}, ${ratio}, NULL)`
    : `IF(p.${base.column} > 0, ${ratio}, NULL)`
}

/** Below everything that a post can be ordered by. */
const LAST = '-1e300'
const Z2 = 1.959963984540054 ** 2
/** Counted in floating point: a number that is written without its power of ten would be counted digit by digit. */
const real = (value: number) => `${value}e0`

/**
 * SQL for an end of the 95 % interval of the share that `value` is of `base`, both counts (Wilson 1927), as
 * core/statistics/wilson.ts has it; below everything where there is no such share.
 */
function endOfShare(sign: '+' | '-'): string {
  const half = `SQRT(value * (base - value) / base * ${real(Z2)} + ${real((Z2 / 2) ** 2)})`
  const end = `(value + ${real(Z2 / 2)} ${sign} ${half}) / (base + ${real(Z2)})`
  return `IF(value <= base AND base > 0, ${sign === '+' ? '-' : ''}${end}, ${LAST})`
}

/** SQL for what is usual for the profile of a post `p`: the median interactions of its others. */
function usualOf(usual: ReadonlyMap<number, OthersMedians>): string {
  if (usual.size === 0) return 'NULL + 0e0'
  const own = sumOf(postFigureById('interactions').top)
  const cases = [...usual].map(
    ([profile, { middle, below, same, above }]) =>
      `WHEN ${profile} THEN IF(${own} < ${middle}, ${real(below)}, IF(${own} > ${middle}, ${real(above)}, ${real(same)}))`,
  )
  return `CASE p.profile_id ${cases.join(' ')} END`
}

/** What a list is ordered by: SQL of a value of a post `p`, of its base, and of the place that follows, the largest first. */
function placeOf({ by, figure, isRising }: PostOrder, usual: ReadonlyMap<number, OthersMedians>) {
  const place = `COALESCE(${isRising ? '-' : ''}(value + 0e0), ${LAST})`
  if (by === 'published') return { value: 'UNIX_TIMESTAMP(p.published_at)', base: 'NULL', place }
  if (by === 'times') {
    const own = sumOf(postFigureById('interactions').top)
    return { value: `(${own}) / NULLIF(${usualOf(usual)}, 0e0)`, base: 'NULL', place }
  }
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

/** What the posts of each profile usually bring: of ninety days up to the end of the period, or of all of a longer one. */
async function usualOfProfiles(
  db: ClientDb,
  { profiles, period }: ResolvedScope,
): Promise<ReadonlyMap<number, OthersMedians>> {
  const past = daysEnding(period.to, Math.max(USUAL_DAYS, lengthOf(period)))
  const rows = await db.rows<{ profile: number; interactions: number }>(sql`
    SELECT p.profile_id AS profile, ${raw(sumOf(postFigureById('interactions').top))} AS interactions
    FROM   post p
    WHERE  p.client_id = ${db.client}
    AND    p.profile_id IN (${profiles.map(({ profile_id: profile }) => profile)})
    AND    p.day BETWEEN ${past.from} AND ${past.to}
    HAVING interactions IS NOT NULL`)
  const values = new Map<number, number[]>()
  for (const { profile, interactions } of rows) {
    const own = values.get(profile)
    if (own) own.push(interactions)
    else values.set(profile, [interactions])
  }
  return new Map(
    [...values].flatMap(([profile, own]) => {
      const found = othersMedians(own)
      return found ? [[profile, found] as const] : []
    }),
  )
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
