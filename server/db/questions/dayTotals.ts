import { FLOW_COLUMNS, STOCK_COLUMNS, UNIQUE_COLUMNS, type FactColumn } from '../../../core/metrics/metric'
import type { Period } from '../../../core/periods/period'
import type { DayTotals } from '../../../core/series/dailyPoints'
import type { ClientDb } from '../clientDb'
import { raw, sql } from '../sql'

/** Every day of a period over all profiles, for lines over time. */
export async function dayTotals(db: ClientDb, profiles: readonly number[], period: Period, columns: readonly FactColumn[]): Promise<DayTotals[]> {
  const summed = [...FLOW_COLUMNS, ...STOCK_COLUMNS].filter((column) => columns.includes(column))
  const withReach = UNIQUE_COLUMNS.some((column) => columns.includes(column))
  const universe = String(db.universe ?? 'NULL')
  const reach = raw(`, MAX(reach_1d) AS reach_largest, SUM(reach_1d) AS reach_sum, COUNT(reach_1d) AS reach_count,
             SUM(LN(1 - LEAST(reach_1d, ${universe} - 1) / ${universe})) AS reach_log_missed`)
  const rows = await db.rows<Record<string, number | null> & { day: string }>(sql`
    SELECT   day
             ${raw(summed.map((column) => `, SUM(${column}) AS sum_${column}, COUNT(${column}) AS count_${column}`).join(''))}
             ${withReach ? reach : raw('')}
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY day
    ORDER BY day`)
  return rows.map((row) => ({
    day: row.day,
    sums: Object.fromEntries(summed.filter((column) => row[`count_${column}`]! > 0).map((column) => [column, row[`sum_${column}`]!])),
    counts: Object.fromEntries(summed.map((column) => [column, row[`count_${column}`]!])),
    ...(withReach && row.reach_count! > 0 && {
      reach: {
        largest: row.reach_largest!, sum: row.reach_sum!, count: row.reach_count!,
        ...(row.reach_log_missed !== null && { logMissed: row.reach_log_missed }),
      },
    }),
  }))
}
