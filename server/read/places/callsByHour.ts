import { breakdownById } from '../../../core/breakdowns/breakdowns'
import type { Period } from '../../../core/periods/period'
import type { PlaceInsights } from '../../../shared/read/places'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/**
 * Mean calls in each hour of each weekday, over the days of which the hours are known: a day without any call is one of
 * them, a day whose hours nobody has told is none.
 *
 * @returns undefined where the hours of no day are known
 */
export async function callsByHour(
  db: ClientDb,
  listing: number,
  { from, to }: Period,
): Promise<PlaceInsights['calls'] | undefined> {
  const { code } = breakdownById('calls_by_hour')
  const days = await db.rows<{ weekday: number; days: number }>(sql`
    SELECT   WEEKDAY(d.day) AS weekday, COUNT(*) AS days
    FROM     profile_day d
    WHERE    d.client_id = ${db.client}
    AND      d.profile_id = ${listing}
    AND      d.day BETWEEN ${from} AND ${to}
    AND      (d.calls = 0 OR EXISTS (SELECT 1
                                     FROM   profile_day_breakdown b
                                     WHERE  b.client_id = d.client_id
                                     AND    b.profile_id = d.profile_id
                                     AND    b.breakdown = ${code}
                                     AND    b.day = d.day))
    GROUP BY weekday`)
  if (days.length === 0) return undefined
  const calls = await db.rows<{ weekday: number; hour: string; calls: number }>(sql`
    SELECT   WEEKDAY(b.day) AS weekday, n.part AS hour, CAST(SUM(b.value) AS DOUBLE) AS calls
    FROM     profile_day_breakdown b
    JOIN     breakdown_part n ON n.client_id = b.client_id AND n.part_id = b.part_id
    WHERE    b.client_id = ${db.client}
    AND      b.profile_id = ${listing}
    AND      b.breakdown = ${code}
    AND      b.day BETWEEN ${from} AND ${to}
    GROUP BY weekday, n.part`)
  const known = Array.from({ length: 7 }, (_, index) => days.find(({ weekday }) => weekday === index)?.days ?? 0)
  const byHour = known.map(() => Array.from({ length: 24 }, () => 0))
  for (const { weekday, hour, calls: many } of calls)
    if (known[weekday]! > 0) byHour[weekday]![Number(hour)]! += many / known[weekday]!
  return { byHour, days: known }
}
