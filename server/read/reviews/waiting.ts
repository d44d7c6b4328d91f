import { addDays, type Day } from '../../../core/days/day'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { wantedHours } from './wantedHours'

/** Reviews older than this are no longer called for, in days. */
const CALLED_FOR_DAYS = 90
const LOW_STARS = 2
const HOURS_A_DAY = 24

/** Reviews of the client's own listings that nobody has answered, by the end of a day. */
export interface WaitingReviews {
  waiting: number
  /** Those that wait for longer than is wanted, by whole days; and those with one or two stars. */
  late: number
  low: number
  wantedHours: number
}

/** What waits for an answer at the end of the last complete day, of the last three months. */
export async function waitingReviews(db: ClientDb, lastComplete: Day): Promise<WaitingReviews> {
  const hours = await wantedHours(db)
  const due = addDays(lastComplete, -Math.ceil(hours / HOURS_A_DAY))
  const row = await db.one<{ waiting: number; late: number | null; low: number | null }>(sql`
    SELECT    COUNT(*) AS waiting, CAST(SUM(r.day <= ${due}) AS DOUBLE) AS late,
              CAST(SUM(r.stars <= ${LOW_STARS}) AS DOUBLE) AS low
    FROM      review r
    JOIN      profile p ON p.client_id = r.client_id AND p.profile_id = r.profile_id
    LEFT JOIN review_reply y
              ON y.client_id = r.client_id AND y.profile_id = r.profile_id AND y.remote_id = r.remote_id
    WHERE     r.client_id = ${db.client}
    AND       r.day BETWEEN ${addDays(lastComplete, 1 - CALLED_FOR_DAYS)} AND ${lastComplete}
    AND       r.answered_at IS NULL
    AND       p.is_active = 1
    AND       p.is_rival = 0
    AND       (y.state IS NULL OR y.state <> 'sent')`)
  return { waiting: row!.waiting, late: row!.late ?? 0, low: row!.low ?? 0, wantedHours: hours }
}

/**
 * What waits, in words; undefined where nothing does.
 *
 * @example waitingWords({ waiting: 3, late: 1, low: 0, wantedHours: 48 })
 * // '3 reviews wait for an answer, 1 of them for longer than 48 hours.'
 */
export function waitingWords({ waiting, late, low, wantedHours: hours }: WaitingReviews): string | undefined {
  if (waiting === 0) return undefined
  const of = [
    late > 0 ? `${late} of them for longer than ${hours} ${hours === 1 ? 'hour' : 'hours'}` : '',
    low > 0 ? `${low} with one or two stars` : '',
  ].filter(Boolean)
  return `${waiting} ${waiting === 1 ? 'review waits' : 'reviews wait'} for an answer${of.map((part) => `, ${part}`).join('')}.`
}
