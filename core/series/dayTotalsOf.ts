import { addDays, dayNumber } from '../days/day'
import { familiesOf, FLOW_COLUMNS, STOCK_COLUMNS, windowColumns, type FactColumn, type StockColumn } from '../metrics/metric'
import { lengthOf, type Period } from '../periods/period'
import { rowsBetween, type FactTable } from '../rollup/factTable'
import { carriedLevels, type Levels } from './carriedLevels'
import type { DayTotals } from './dailyPoints'

/** Sums, counts and largest values of one column, day by day. */
interface Sums {
  sum: Float64Array
  count: Int32Array
  largest: Float64Array
  logMissed: Float64Array
}

/**
 * Every day of a period over all profiles of a table, for lines over time: the memory executor of what server/db/questions/dayTotals.ts asks the
 * database.
 *
 * @param columns   the columns wanted
 * @param universe  people who could be reached, where it is known
 * @returns         the days on which some profile has a row, in order
 * @example         dayTotalsOf(factTable(rows), { from: '2026-10-01', to: '2026-10-28' }, ['impressions'])
 */
export function dayTotalsOf(table: FactTable, period: Period, columns: readonly FactColumn[], universe?: number): DayTotals[] {
  const days = lengthOf(period)
  const first = dayNumber(period.from)
  const summed = FLOW_COLUMNS.filter((column) => columns.includes(column))
  const levels = STOCK_COLUMNS.filter((column) => columns.includes(column)).map((column) => ({ column, ...carriedLevels(table, period, column) }))
  const families = familiesOf(columns)
  const present = new Uint8Array(days)
  const sums = new Map<FactColumn, Sums>([...summed, ...families.map((family) => windowColumns(family)[1])].map((column) => [column, emptySums(days)]))
  for (const range of table.ranges) {
    const { start, end } = rowsBetween(table, range, first, first + days - 1)
    for (let row = start; row < end; row++) present[table.days[row]! - first] = 1
    for (const [column, into] of sums) addColumn(into, table.columns[column], table.days, start, end, first, families.some((family) => windowColumns(family)[1] === column) ? universe : undefined)
  }
  const hasLevel = (index: number) => levels.some(({ counts }) => counts[index]! > 0)
  return Array.from({ length: days }, (_, index) => index).filter((index) => present[index] || hasLevel(index)).map((index) => withLevels({
    day: addDays(period.from, index),
    sums: Object.fromEntries(summed.filter((column) => sums.get(column)!.count[index]! > 0).map((column) => [column, sums.get(column)!.sum[index]!])),
    counts: Object.fromEntries(summed.map((column) => [column, sums.get(column)!.count[index]!])),
    people: Object.fromEntries(families.flatMap((family) => {
      const { sum, count, largest, logMissed } = sums.get(windowColumns(family)[1])!
      return count[index]! > 0 ? [[family, { largest: largest[index]!, sum: sum[index]!, count: count[index]!, ...(universe !== undefined && { logMissed: logMissed[index]! }) }]] : []
    })),
  }, levels, index))
}

/** A day's totals with its levels. */
export function withLevels(total: DayTotals, levels: readonly ({ column: StockColumn } & Levels)[], index: number): DayTotals {
  const sums = { ...total.sums }
  const counts = { ...total.counts }
  for (const { column, sums: all, counts: profiles } of levels) {
    counts[column] = profiles[index]!
    if (profiles[index]! > 0) sums[column] = all[index]!
  }
  return { ...total, sums, counts }
}

const emptySums = (days: number): Sums => ({ sum: new Float64Array(days), count: new Int32Array(days), largest: new Float64Array(days).fill(-Infinity), logMissed: new Float64Array(days) })

function addColumn(into: Sums, values: Float64Array, days: Int32Array, start: number, end: number, first: number, universe: number | undefined): void {
  for (let row = start; row < end; row++) {
    const value = values[row]!
    if (value !== value) continue
    const day = days[row]! - first
    into.sum[day]! += value
    into.count[day]!++
    if (value > into.largest[day]!) into.largest[day] = value
    if (universe !== undefined) into.logMissed[day]! += Math.log(1 - Math.min(value, universe - 1) / universe)
  }
}
