import { addDays } from '../../../core/days/day'
import { familiesOf, FLOW_COLUMNS, STOCK_COLUMNS, type FactColumn, type StockColumn } from '../../../core/metrics/metric'
import { eachDay, type Period } from '../../../core/periods/period'
import { STOCK_AGE_DAYS } from '../../../core/rollup/aggregate'
import { carriedLevels, type Levels } from '../../../core/series/carriedLevels'
import type { DayTotals } from '../../../core/series/dailyPoints'
import { withLevels } from '../../../core/series/dayTotalsOf'
import type { ClientDb } from '../clientDb'
import { raw, sql } from '../sql'
import { facts } from './aggregates'

/** Every day of a period over all profiles, for lines over time. `dayTotalsOf` in core gives the same from memory. */
export async function dayTotals(db: ClientDb, profiles: readonly number[], period: Period, columns: readonly FactColumn[]): Promise<DayTotals[]> {
  const stocks = STOCK_COLUMNS.filter((column) => columns.includes(column))
  const [totals, levels] = await Promise.all([flowTotals(db, profiles, period, columns), levelsOf(db, profiles, period, stocks)])
  if (levels.length === 0) return totals
  const known = new Map(totals.map((total) => [total.day, total]))
  return eachDay(period).flatMap((day, index) => {
    const total = known.get(day)
    return total || levels.some(({ counts }) => counts[index]! > 0) ? [withLevels(total ?? emptyTotals(day, columns), levels, index)] : []
  })
}

const emptyTotals = (day: string, columns: readonly FactColumn[]): DayTotals => ({ day, sums: {}, counts: Object.fromEntries(FLOW_COLUMNS.filter((column) => columns.includes(column)).map((column) => [column, 0])), people: {} })

/** Levels are carried over gaps, which needs the rows themselves and the week before. */
async function levelsOf(db: ClientDb, profiles: readonly number[], period: Period, stocks: readonly StockColumn[]): Promise<({ column: StockColumn } & Levels)[]> {
  if (stocks.length === 0) return []
  const table = await facts(db, profiles, [{ from: addDays(period.from, -STOCK_AGE_DAYS), to: period.to }], stocks)
  return stocks.map((column) => ({ column, ...carriedLevels(table, period, column) }))
}

async function flowTotals(db: ClientDb, profiles: readonly number[], period: Period, columns: readonly FactColumn[]): Promise<DayTotals[]> {
  const summed = FLOW_COLUMNS.filter((column) => columns.includes(column))
  const families = familiesOf(columns)
  const universe = String(db.universe ?? 'NULL')
  // as a floating-point number: whole numbers divided keep four decimals, which is nothing of a small reach in a large audience
  const floating = db.universe === undefined ? 'NULL' : `${db.universe}e0`
  const people = families.map((family) => `, MAX(${family}_1d) AS ${family}_largest, SUM(${family}_1d) AS ${family}_sum, COUNT(${family}_1d) AS ${family}_count,
             SUM(LN(1e0 - LEAST(${family}_1d, ${universe} - 1) / ${floating})) AS ${family}_log_missed`).join('')
  const rows = await db.rows<Record<string, number | null> & { day: string }>(sql`
    SELECT   day
             ${raw(summed.map((column) => `, SUM(${column}) AS sum_${column}, COUNT(${column}) AS count_${column}`).join(''))}
             ${raw(people)}
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
    people: Object.fromEntries(families.filter((family) => row[`${family}_count`]! > 0).map((family) => [family, {
      largest: row[`${family}_largest`]!, sum: row[`${family}_sum`]!, count: row[`${family}_count`]!,
      ...(row[`${family}_log_missed`] !== null && { logMissed: row[`${family}_log_missed`]! }),
    }])),
  }))
}
