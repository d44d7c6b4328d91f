import { RETENTION_STEPS } from '../../../core/datasets/datasets'
import { LEAST_PLAYS, readRetention, seenPart, type RetentionPoint } from '../../../core/posts/retention'
import { median } from '../../../core/statistics/median'
import { LEAST_POSTS } from '../../../core/why/carryingPosts'
import type { PostRetention } from '../../../shared/read/post'
import type { PostRow } from '../../figures/questions/posts'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

type RetentionRow = { id: string; length: number | null } & Record<
  `at_${(typeof RETENTION_STEPS)[number]}`,
  number | null
>

const AT = raw(RETENTION_STEPS.map((percent) => `r.at_${percent}`).join(', '))

/**
 * How far a video was watched, beside what is usual for the videos of its profile and format.
 *
 * @returns undefined where its network does not say it
 */
export async function retentionOf(
  db: ClientDb,
  post: PostRow,
  others: readonly PostRow[],
): Promise<PostRetention | undefined> {
  const rows = await db.rows<RetentionRow>(sql`
    SELECT   r.remote_id AS id, r.length_seconds AS length, ${AT}
    FROM     post_retention r
    WHERE    r.client_id = ${db.client}
    AND      r.profile_id = ${post.profile_id}
    AND      r.remote_id IN (${[post.remote_id, ...others.map(({ remote_id: id }) => id)]})
    ORDER BY r.remote_id`)
  const own = rows.find(({ id }) => id === post.remote_id)
  const points = own && pointsOf(own)
  if (!own || !points?.length) return undefined
  const reading = readRetention(points)
  const known = rows
    .filter((row) => row !== own && (row.at_0 ?? 0) >= LEAST_PLAYS)
    .map(pointsOf)
    .filter(({ length }) => length === RETENTION_STEPS.length)
  const shares = RETENTION_STEPS.map(
    (_, step) => median(known.map((curve) => curve[step]!.plays / curve[0]!.plays)) ?? 0,
  )
  return {
    length: own.length,
    points,
    ...(reading && { reading }),
    ...(known.length >= LEAST_POSTS && {
      usual: {
        shares,
        seen: seenPart(RETENTION_STEPS.map((at, step) => ({ at, plays: shares[step]! }))),
        posts: known.length,
      },
    }),
  }
}

/** The places of which something is known. */
const pointsOf = (row: RetentionRow): RetentionPoint[] =>
  RETENTION_STEPS.flatMap((at) => {
    const plays = row[`at_${at}`]
    return plays === null ? [] : [{ at, plays }]
  })
