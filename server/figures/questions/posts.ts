import type { Period } from '../../../core/periods/period'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** A post with its figures so far. */
export interface PostRow {
  profile_id: number
  remote_id: string
  published_at: Date
  day: string
  format: string
  text: string
  impressions: number | null
  reactions: number | null
  comments: number | null
  shares: number | null
  saves: number | null
}

/** The posts that profiles published in a period, the newest first. */
export const postsIn = (db: ClientDb, profiles: readonly number[], { from, to }: Period): Promise<PostRow[]> =>
  db.rows<PostRow>(sql`
  SELECT   profile_id, remote_id, published_at, day, format, text, impressions, reactions, comments, shares, saves
  FROM     post
  WHERE    client_id = ${db.client}
  AND      profile_id IN (${profiles})
  AND      day BETWEEN ${from} AND ${to}
  ORDER BY published_at DESC, remote_id`)

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
