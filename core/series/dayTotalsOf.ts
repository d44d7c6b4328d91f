import { addDays, dayFromNumber, dayNumber } from '../days/day'
import { familiesOf, FLOW_COLUMNS, STOCK_COLUMNS, windowColumns, type FactColumn, type StockColumn } from '../metrics/metric'
import { lengthOf, type Period } from '../periods/period'
import { STOCK_AGE_DAYS } from '../rollup/aggregate'
import type { FactTable } from '../rollup/factTable'
import { carriedLevels, type Levels } from './carriedLevels'
import type { DayTotals } from './dailyPoints'

/** Sums, counts and largest values of one column, day by day. */
interface Sums {
  sum: Float64Array
  count: Int32Array
  largest: Float64Array
  logMissed: Float64Array
}

/** What is known of all days of a table: it is worked out once, and every period is a part of it. */
interface Whole {
  /** The number of the table's first day, and how many days lie from there to its last. */
  first: number
  days: number
  /** Whether some profile has a row on the day. */
  present: Uint8Array
  sums: Map<FactColumn, Sums>
  levels: Map<StockColumn, Levels>
}
const known = new WeakMap<FactTable, Map<number | undefined, Whole>>()

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
  const whole = wholeOf(table, universe)
  const offset = dayNumber(period.from) - whole.first
  const summed = FLOW_COLUMNS.filter((column) => columns.includes(column)).map((column) => ({ column, ...sumsOf(table, whole, column) }))
  const people = familiesOf(columns).map((family) => ({ family, ...sumsOf(table, whole, windowColumns(family)[1], universe) }))
  const levels = STOCK_COLUMNS.filter((column) => columns.includes(column)).map((column) => ({ column, ...levelsOf(table, whole, column) }))
  const totals: DayTotals[] = []
  for (let index = 0; index < lengthOf(period); index++) {
    const at = offset + index
    if (!(whole.present[at] || levels.some(({ counts }) => counts[at]! > 0))) continue
    const total: DayTotals = { day: addDays(period.from, index), sums: {}, counts: {}, people: {} }
    for (const { column, sum, count } of summed) {
      total.counts[column] = count[at]!
      if (count[at]! > 0) total.sums[column] = sum[at]!
    }
    for (const { family, sum, count, largest, logMissed } of people) {
      if (count[at]! > 0) total.people![family] = { largest: largest[at]!, sum: sum[at]!, count: count[at]!, ...(universe !== undefined && { logMissed: logMissed[at]! }) }
    }
    totals.push(withLevels(total, levels, at))
  }
  return totals
}

/** A day's totals with its levels. */
export function withLevels(total: DayTotals, levels: readonly ({ column: StockColumn } & Levels)[], index: number): DayTotals {
  const sums = { ...total.sums }
  const counts = { ...total.counts }
  for (const { column, sums: all, counts: profiles } of levels) {
    counts[column] = profiles[index] ?? 0
    if (counts[column]! > 0) sums[column] = all[index]!
  }
  return { ...total, sums, counts }
}

function wholeOf(table: FactTable, universe: number | undefined): Whole {
  const byUniverse = known.get(table) ?? new Map<number | undefined, Whole>()
  known.set(table, byUniverse)
  const before = byUniverse.get(universe)
  if (before) return before
  let [first, last] = [Infinity, -Infinity]
  for (const day of table.days) {
    if (day < first) first = day
    if (day > last) last = day
  }
  // a level is carried on for some days after the last row
  const days = last < first ? 0 : last - first + 1 + STOCK_AGE_DAYS
  const present = new Uint8Array(days)
  for (const { start, end } of table.ranges) for (let row = start; row < end; row++) present[table.days[row]! - first] = 1
  const whole: Whole = { first: days > 0 ? first : 0, days, present, sums: new Map(), levels: new Map() }
  byUniverse.set(universe, whole)
  return whole
}

function sumsOf(table: FactTable, whole: Whole, column: FactColumn, universe?: number): Sums {
  const before = whole.sums.get(column)
  if (before) return before
  const { first, days } = whole
  const into: Sums = { sum: new Float64Array(days), count: new Int32Array(days), largest: new Float64Array(days).fill(-Infinity), logMissed: new Float64Array(days) }
  for (const { start, end } of table.ranges) addColumn(into, table.columns[column], table.days, start, end, first, universe)
  whole.sums.set(column, into)
  return into
}

function levelsOf(table: FactTable, { first, days, levels }: Whole, column: StockColumn): Levels {
  const before = levels.get(column)
  if (before) return before
  const all = days === 0 ? { sums: new Float64Array(0), counts: new Int32Array(0) } : carriedLevels(table, { from: dayFromNumber(first), to: dayFromNumber(first + days - 1) }, column)
  levels.set(column, all)
  return all
}

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
