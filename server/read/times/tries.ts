import { normalQuantile } from '../../../core/statistics/normalQuantile'
import { LIFT_LEVEL } from '../../../core/times/slotLifts'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'
import { MOST_TRIES } from '../../../shared/read/times'

/** A try as it is kept. */
export interface TryRow {
  id: number
  profile: number
  plannedAt: Date
  response: string
  base: string
  mean: number
  spread: number
}

/** The tries of profiles, the newest first. */
export const triesOf = (db: ClientDb, profiles: readonly number[]): Promise<TryRow[]> =>
  db.rows<TryRow>(sql`
    SELECT   try_id AS id, profile_id AS profile, planned_at AS plannedAt, response, base, before_mean AS mean,
             before_spread AS spread
    FROM     slot_try
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${[...profiles]})
    AND      removed_at IS NULL
    ORDER BY planned_at DESC, try_id
    LIMIT    ${MOST_TRIES}`)

/** A post that is scheduled for a profile. */
export interface ScheduledPost {
  profile: number
  at: Date
  id: number
  text: string
}

/** What is scheduled for profiles from an instant on, the next ones. */
export const scheduledFrom = (db: ClientDb, profiles: readonly number[], from: number): Promise<ScheduledPost[]> =>
  db.rows<ScheduledPost>(sql`
    SELECT   DISTINCT y.profile_id AS profile, p.planned_at AS at, p.planned_id AS id,
             LEFT(COALESCE(NULLIF(JSON_VALUE(p.content, '$.heading'), ''), JSON_VALUE(p.content, '$.text'), ''), 120) AS text
    FROM     planned_post p
    JOIN     planned_posting y ON y.client_id = p.client_id AND y.planned_id = p.planned_id
    WHERE    p.client_id = ${db.client}
    AND      y.profile_id IN (${[...profiles]})
    AND      p.planned_at >= ${new Date(from)}
    AND      p.state = 'scheduled'
    AND      p.removed_at IS NULL
    ORDER BY p.planned_at, p.planned_id, y.profile_id
    LIMIT    500`)

/**
 * Keeps tries: one at a time for a profile, so that asking twice keeps them once.
 *
 * @param tries  when, in milliseconds since 1970 UTC, and what is thought of the slot, in logarithms
 * @returns      their numbers
 * @throws Problem 400 when too many would be ahead
 */
export async function keepTries(
  db: ClientDb,
  profile: number,
  { response, base }: { response: string; base: string },
  tries: readonly { at: number; mean: number; spread: number }[],
): Promise<number[]> {
  const { ahead } = (await db.one<{ ahead: number }>(sql`
    SELECT COUNT(*) AS ahead
    FROM   slot_try
    WHERE  client_id = ${db.client}
    AND    removed_at IS NULL
    AND    planned_at > ${new Date(now())}`))!
  if (Number(ahead) + tries.length > MOST_TRIES)
    throw badRequest(`A client has ${MOST_TRIES} tries ahead at the most. Remove some that are not wanted any more.`)
  const ids: number[] = []
  for (const { at, mean, spread } of tries) {
    const { insertId } = await db.run(sql`
      INSERT INTO slot_try (client_id, profile_id, planned_at, response, base, before_mean, before_spread)
      VALUES (${db.client}, ${profile}, ${new Date(at)}, ${response}, ${base}, ${mean}, ${spread})
      ON DUPLICATE KEY UPDATE try_id = LAST_INSERT_ID(try_id), response = VALUES(response), base = VALUES(base),
        before_mean = VALUES(before_mean), before_spread = VALUES(before_spread), removed_at = NULL`)
    ids.push(insertId)
  }
  return ids
}

/** Takes a try away, or brings it back. */
export async function removeTry(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE slot_try
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    try_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}

const QUANTILE = normalQuantile(0.5 + LIFT_LEVEL / 2)

/** What is thought of a slot, as shares: from and to. */
export const thought = ({ mean, spread }: { mean: number; spread: number }) => ({
  low: Math.expm1(mean - QUANTILE * spread),
  high: Math.expm1(mean + QUANTILE * spread),
})
