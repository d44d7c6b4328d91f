import { dayNumber } from '../days/day'
import type { StockColumn } from '../metrics/metric'
import { lengthOf, type Period } from '../periods/period'
import { STOCK_AGE_DAYS } from '../rollup/aggregate'
import { rowsBetween, type FactTable } from '../rollup/factTable'

/** A level over all profiles, day by day. */
export interface Levels {
  sums: Float64Array
  /** How many profiles have a level on the day, their own or one carried on. */
  counts: Int32Array
}

/**
 * A level day by day over all profiles. On a day without a count a profile keeps its last one, as long as that is no older than seven days: a gap is
 * no fall.
 *
 * @param table  rows that reach back seven days before the period
 * @example      carriedLevels(table, { from: '2026-10-01', to: '2026-10-28' }, 'followers').sums[0]
 */
export function carriedLevels(table: FactTable, period: Period, column: StockColumn): Levels {
  const days = lengthOf(period)
  const first = dayNumber(period.from)
  const levels: Levels = { sums: new Float64Array(days), counts: new Int32Array(days) }
  const values = table.columns[column]
  for (const range of table.ranges) {
    const { start, end } = rowsBetween(table, range, first - STOCK_AGE_DAYS, first + days - 1)
    let row = start
    let level = Number.NaN
    let seen = 0
    for (let index = -STOCK_AGE_DAYS; index < days; index++) {
      if (row < end && table.days[row] === first + index) {
        if (values[row] === values[row]) {
          level = values[row]!
          seen = index
        }
        row++
      }
      if (index < 0 || level !== level || index - seen > STOCK_AGE_DAYS) continue
      levels.sums[index]! += level
      levels.counts[index]!++
    }
  }
  return levels
}
