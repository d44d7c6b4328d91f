import { dayFromNumber, dayNumber } from '../days/day'
import { familiesOf, FLOW_COLUMNS, STOCK_COLUMNS, WINDOW_DAYS, windowColumns, type FactColumn, type FlowColumn, type UniqueFamily } from '../metrics/metric'
import type { Period } from '../periods/period'
import { emptyWindows, noWindows, STOCK_AGE_DAYS, type ProfileAggregate, type ReachWindows } from './aggregate'
import { rowsBetween, type FactTable } from './factTable'

/**
 * Sums and counts one column over rows, leaving out absent values.
 *
 * @returns the sum (0 when nothing is present) and how many values are present
 */
export function sumPresent(values: Float64Array, start: number, end: number): { sum: number; count: number } {
  let even = 0
  let odd = 0
  let absent = 0
  let row = start
  // two sums side by side, since each addition has to wait for the one before it
  for (; row + 1 < end; row += 2) {
    const first = values[row]!
    const second = values[row + 1]!
    if (first === first) even += first
    else absent++
    if (second === second) odd += second
    else absent++
  }
  if (row < end) {
    if (values[row] === values[row]) even += values[row]!
    else absent++
  }
  return { sum: even + odd, count: end - start - absent }
}

/**
 * The memory executor: what figures are made from, for every profile of a table over one period. The database executor in
 * server/db/aggregates.ts gives the same from SQL.
 *
 * @param networks  the network of each profile
 * @param columns   the columns wanted; others are left out
 */
export function aggregateTable(
  table: FactTable,
  period: Period,
  networks: ReadonlyMap<number, string>,
  columns: readonly FactColumn[],
): ProfileAggregate[] {
  const from = dayNumber(period.from)
  const to = dayNumber(period.to)
  const wanted = new Set<FactColumn>(columns)
  const flows = FLOW_COLUMNS.filter((column) => wanted.has(column))
  const stocks = STOCK_COLUMNS.filter((column) => wanted.has(column))
  const families = familiesOf(columns)
  return table.ranges.map((range) => {
    const rows = rowsBetween(table, range, from, to)
    const aggregate: ProfileAggregate = {
      profile: range.profile,
      network: networks.get(range.profile) ?? '',
      sums: {},
      counts: {},
      stocks: {},
      windows: noWindows(period, []),
    }
    for (const family of families) aggregate.windows[family] = windowsOf(table, rows, period, family)
    for (const column of flows) addFlow(aggregate, column, table.columns[column], rows)
    for (const column of stocks) {
      const older = rowsBetween(table, range, to - STOCK_AGE_DAYS, to)
      for (let row = older.end - 1; row >= older.start; row--) {
        const value = table.columns[column][row]!
        if (Number.isNaN(value)) continue
        aggregate.stocks[column] = { day: dayFromNumber(table.days[row]!), value }
        break
      }
    }
    return aggregate
  })
}

function addFlow(aggregate: ProfileAggregate, column: FlowColumn, values: Float64Array, rows: { start: number; end: number }): void {
  const { sum, count } = sumPresent(values, rows.start, rows.end)
  if (count === 0) return
  aggregate.sums[column] = sum
  aggregate.counts[column] = count
}

function windowsOf(table: FactTable, rows: { start: number; end: number }, period: Period, family: UniqueFamily): ReachWindows {
  const windows = emptyWindows(period)
  const { days, columns } = table
  const to = dayNumber(period.to)
  const from = dayNumber(period.from)
  const names = windowColumns(family)
  const [daily, sevenDays, twentyEightDays] = [columns[names[1]], columns[names[7]], columns[names[28]]]
  const largest = { 1: largestFrom(daily, days, rows, from), 7: largestFrom(sevenDays, days, rows, from + 6), 28: largestFrom(twentyEightDays, days, rows, from + 27) }
  for (const length of WINDOW_DAYS) if (largest[length] >= 0) windows.largest[length] = largest[length]
  // newest first, block by block, so that no row has to ask for its block
  let row = rows.end - 1
  windows.blocks.forEach((block, index) => {
    const end = to - 7 * index
    if (row >= rows.start && days[row] === end) {
      if (sevenDays[row] === sevenDays[row]) block.sevenDays = sevenDays[row]!
      if (twentyEightDays[row] === twentyEightDays[row]) block.twentyEightDays = twentyEightDays[row]!
    }
    row = addDaily(block, daily, days, row, rows.start, end - 6)
  })
  addDaily(windows.head, daily, days, row, rows.start, from)
  return windows
}

/** Adds the daily reach of rows downwards while their day is not before `first`. @returns the next row below */
function addDaily(sums: { dailySum: number; dailyCount: number }, daily: Float64Array, days: Int32Array, row: number, start: number, first: number): number {
  let sum = 0
  let count = 0
  while (row >= start && days[row]! >= first) {
    const value = daily[row]!
    if (value === value) {
      sum += value
      count++
    }
    row--
  }
  sums.dailySum = sum
  sums.dailyCount = count
  return row
}

/** The largest value on a day from `first` on, or −1. */
function largestFrom(values: Float64Array, days: Int32Array, { start, end }: { start: number; end: number }, first: number): number {
  let largest = -1
  for (let row = end - 1; row >= start && days[row]! >= first; row--) {
    // an absent value is larger than nothing
    if (values[row]! > largest) largest = values[row]!
  }
  return largest
}
