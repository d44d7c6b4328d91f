import type { Period } from '../../../core/periods/period'
import type { ClientDb } from '../../platform/database/clientDb'
import { POST_COUNTS, type PostMeasure } from '../../../core/datasets/datasets'
import type { RankablePost } from '../../../core/posts/bestAndWorst'
import { postFigureById } from '../../../core/posts/postFigures'
import { raw, sql } from '../../platform/database/sql'
import { valueOf } from './postValues'
import { wherePosts, type Wanted } from './wherePosts'

/** A post with its figures so far. */
export type PostRow = {
  profile_id: number
  remote_id: string
  published_at: Date
  day: string
  format: string
  text: string
  picture_url: string | null
  alt: string | null
} & Record<PostMeasure, number | null>

/** The columns of a post `p` that a row has. */
export const POST_COLUMNS = raw(
  ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'picture_url', 'alt', ...POST_COUNTS]
    .map((column) => `p.${column}`)
    .join(', '),
)

/** The posts that profiles published in a period, the newest first; those alone that are wanted. */
export const postsIn = (
  db: ClientDb,
  profiles: readonly number[],
  { from, to }: Period,
  wanted: Omit<Wanted, 'profiles' | 'from' | 'to'> = { any: [], all: [], none: [] },
): Promise<PostRow[]> =>
  db.rows<PostRow>(sql`
  SELECT   ${POST_COLUMNS}
  FROM     post p
  WHERE    p.client_id = ${db.client}
  AND      ${wherePosts({ ...wanted, profiles, from, to })}
  ORDER BY p.published_at DESC, p.remote_id`)

/** The posts that profiles published in a period, in no order, and of each what it brought and how often it was shown. */
export const rankableIn = (
  db: ClientDb,
  profiles: readonly number[],
  { from, to }: Period,
): Promise<(RankablePost & { rate: null })[]> =>
  db.rows<RankablePost & { rate: null }>(sql`
  SELECT p.profile_id AS profile, p.remote_id AS id, p.impressions, ${INTERACTIONS} AS interactions, NULL AS rate
  FROM   post p
  WHERE  p.client_id = ${db.client}
  AND    p.profile_id IN (${profiles})
  AND    p.day BETWEEN ${from} AND ${to}`)
const INTERACTIONS = raw(valueOf(postFigureById('interactions')))

/** One post of a client. */
export const postById = (db: ClientDb, profile: number, id: string): Promise<PostRow | undefined> =>
  db.one<PostRow>(sql`
  SELECT ${POST_COLUMNS}
  FROM   post p
  WHERE  p.client_id = ${db.client}
  AND    p.profile_id = ${profile}
  AND    p.remote_id = ${id}`)

/** What the posts of a profile's day brought in, by format. */
export interface FormatTotals {
  profile: number
  day: string
  format: string
  posts: number
  impressions: number
  interactions: number
}

/**
 * The posts of a period added up by profile, day and format; only posts whose impressions are known, so that rates rest
 * on both.
 */
export const formatTotals = (
  db: ClientDb,
  profiles: readonly number[],
  { from, to }: Period,
): Promise<FormatTotals[]> =>
  db.rows<FormatTotals>(sql`
  SELECT   profile_id AS profile, day, format, COUNT(*) AS posts, SUM(impressions) AS impressions,
           SUM(COALESCE(reactions, 0) + COALESCE(comments, 0) + COALESCE(shares, 0) + COALESCE(saves, 0)) AS interactions
  FROM     post
  WHERE    client_id = ${db.client}
  AND      profile_id IN (${profiles})
  AND      day BETWEEN ${from} AND ${to}
  AND      impressions IS NOT NULL
  GROUP BY profile_id, day, format`)
