import type { PostMeasure } from '../../../core/datasets/datasets'
import type { Period } from '../../../core/periods/period'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

/** How many posts are looked at: the newest. */
export const MOST_POSTS = 20_000
/** How many posts tell when interactions arrive, the newest, and over how many hours of their lives. */
const [MOST_WATCHED, WATCHED_HOURS] = [500, 168]

/** What of a post is needed: every response and base, and what was paid for. */
const COUNTS = [
  'reactions',
  'comments',
  'shares',
  'saves',
  'clicks',
  'watch_seconds',
  'reach',
  'impressions',
  'views',
  'paid_impressions',
] as const satisfies readonly PostMeasure[]

/** A post as times are told from it. */
export type TimedPost = {
  profile: number
  id: string
  publishedAt: Date
  format: string
  text: string
} & Record<(typeof COUNTS)[number], number | null>

/** The posts of profiles that were published in a period, the newest first; one more than are looked at. */
export const postsOfTimes = (db: ClientDb, profiles: readonly number[], { from, to }: Period): Promise<TimedPost[]> =>
  db.rows<TimedPost>(sql`
    SELECT   p.profile_id AS profile, p.remote_id AS id, p.published_at AS publishedAt, p.format,
             LEFT(p.text, 80) AS text, ${raw(COUNTS.map((count) => `p.${count}`).join(', '))}
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${[...profiles]})
    AND      p.day BETWEEN ${from} AND ${to}
    ORDER BY p.published_at DESC, p.profile_id, p.remote_id
    LIMIT    ${MOST_POSTS + 1}`)

/** A look at a post: what it had brought of a response. */
export interface ResponseLook {
  profile: number
  id: string
  publishedAt: Date
  at: Date
  value: number
}

/** The looks at the newest posts of a period in their first week, post by post, the earliest first. */
export function looksOfTimes(
  db: ClientDb,
  profiles: readonly number[],
  { from, to }: Period,
  columns: readonly PostMeasure[],
): Promise<ResponseLook[]> {
  const sum = raw(columns.map((column) => `COALESCE(o.${column}, 0)`).join(' + '))
  const isKnown = raw(columns.map((column) => `o.${column} IS NOT NULL`).join(' OR '))
  return db.rows<ResponseLook>(sql`
    SELECT   o.profile_id AS profile, o.remote_id AS id, p.published_at AS publishedAt, o.observed_at AS at,
             ${sum} AS value
    FROM     (SELECT   profile_id, remote_id, published_at
              FROM     post
              WHERE    client_id = ${db.client}
              AND      profile_id IN (${[...profiles]})
              AND      day BETWEEN ${from} AND ${to}
              ORDER BY published_at DESC, profile_id, remote_id
              LIMIT    ${MOST_WATCHED}) p
    JOIN     post_observation o ON o.client_id = ${db.client} AND o.profile_id = p.profile_id AND o.remote_id = p.remote_id
    WHERE    o.observed_at > p.published_at
    AND      o.observed_at <= p.published_at + INTERVAL ${WATCHED_HOURS} HOUR
    AND      (${isKnown})
    ORDER BY o.profile_id, o.remote_id, o.observed_at`)
}
