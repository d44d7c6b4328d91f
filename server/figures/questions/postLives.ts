import { POST_COUNTS, type PostMeasure } from '../../../core/datasets/datasets'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

/** What was there when a post was looked at. */
export type PostLook = { id: string; at: Date } & Record<PostMeasure, number | null>

const COUNTS = raw(POST_COUNTS.map((count) => `o.${count}`).join(', '))

/** Every look at some posts of a profile, post by post, the earliest first. */
export const looksAt = (db: ClientDb, profile: number, posts: readonly string[]): Promise<PostLook[]> =>
  db.rows<PostLook>(sql`
    SELECT   o.remote_id AS id, o.observed_at AS at, ${COUNTS}
    FROM     post_observation o
    WHERE    o.client_id = ${db.client}
    AND      o.profile_id = ${profile}
    AND      o.remote_id IN (${[...posts]})
    ORDER BY o.remote_id, o.observed_at`)
