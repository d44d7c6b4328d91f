import { checksUntil, runsOutOn, type Rhythm } from '../../../core/ranks/rankRhythm'
import { gridSize, type GridShape } from '../../../core/ranks/rankGrid'
import { lastDayOfMonth, monthOf as monthNumber, yearOf, type Day } from '../../../core/days/day'
import type { RankAllowance } from '../../../shared/read/ranks'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { conflict } from '../../platform/problems/problem'
import { todayOf } from './rankWatches'

/** More than an agency has; a list that does not end is none. */
const MOST_OF_AGENCY = 20_000

const monthOf = (day: Day): string => day.slice(0, 7)

/** What the agency may ask for this month, over all of its clients, and whether it is enough. */
export async function rankAllowance(db: ClientDb): Promise<RankAllowance> {
  const today = todayOf(db)
  const [agency, watches] = await Promise.all([
    db.one<{ limit: number; used: number }>(sql`
      SELECT    a.rank_checks AS \`limit\`, COALESCE(u.used, 0) AS used
      FROM      client c
      JOIN      agency a ON a.agency_id = c.agency_id
      LEFT JOIN rank_use u ON u.agency_id = a.agency_id AND u.month = ${monthOf(today)}
      WHERE     c.client_id = ${db.client}`),
    db.rows<{ rhythm: Rhythm; shape: GridShape; rings: number; last: Day | null }>(sql`
      SELECT w.rhythm, w.shape, w.rings,
             (SELECT MAX(k.day) FROM rank_check k WHERE k.client_id = w.client_id AND k.watch_id = w.watch_id) AS last
      FROM   client mine
      JOIN   client c ON c.agency_id = mine.agency_id
      JOIN   rank_watch w ON w.client_id = c.client_id AND w.removed_at IS NULL
      JOIN   place p ON p.client_id = w.client_id AND p.place_id = w.place_id AND p.is_active = 1 AND p.removed_at IS NULL
      WHERE  mine.client_id = ${db.client}
      LIMIT  ${MOST_OF_AGENCY}`),
  ])
  const { limit, used } = agency!
  const until = lastDayOfMonth(yearOf(today), monthNumber(today))
  const due = watches.map(({ last, ...watch }) => ({
    rhythm: watch.rhythm,
    last: last ?? undefined,
    points: gridSize(watch),
  }))
  return {
    today,
    limit,
    used,
    toCome: due.reduce((sum, { rhythm, last, points }) => sum + points * checksUntil(rhythm, last, today, until), 0),
    runsOutOn: runsOutOn(due, Math.max(0, limit - used), today, until) ?? null,
  }
}

/**
 * Takes some points from what the agency may ask for this month; within the transaction of whoever calls. Two that ask
 * at the same moment write the same row, one after the other.
 *
 * @throws Problem 409 when there are not as many left
 */
export async function takePoints(inside: ClientDb, points: number, day: Day): Promise<void> {
  await inside.run(sql`
    INSERT INTO rank_use (agency_id, month)
    SELECT agency_id, ${monthOf(day)} FROM client WHERE client_id = ${inside.client}
    ON DUPLICATE KEY UPDATE used = used`)
  const { affectedRows } = await inside.run(sql`
    UPDATE rank_use u JOIN agency a ON a.agency_id = u.agency_id
    SET    u.used = u.used + ${points}
    WHERE  u.month = ${monthOf(day)}
    AND    u.agency_id = (SELECT agency_id FROM client WHERE client_id = ${inside.client})
    AND    u.used + ${points} <= a.rank_checks`)
  if (affectedRows === 0)
    throw conflict(
      `The ${points} points of this check are more than what is left of the agency’s allowance for this month. ` +
        'Check less often, or wait for the first of the next month.',
    )
}

/** Gives back what was taken for a check that came to nothing. */
export const giveBackPoints = (inside: ClientDb, points: number, day: Day) =>
  inside.run(sql`
    UPDATE rank_use
    SET    used = IF(used > ${points}, used - ${points}, 0)
    WHERE  month = ${monthOf(day)}
    AND    agency_id = (SELECT agency_id FROM client WHERE client_id = ${inside.client})`)
