import { dayNumber } from '../days/day'
import type { StockColumn } from '../metrics/storedFigures'
import { lengthOf, type Period } from '../periods/period'
import { STOCK_AGE_DAYS } from '../rollup/aggregate'
import { valueOn, type DenseDays } from '../rollup/denseDays'

/**
 * A level of one profile day by day. On a day without a count it keeps its last one, as long as that is no older than
 * seven days: a gap is no fall.
 *
 * @param days  the profile's days, which reach back seven days before the period
 * @returns     a value for each day of the period, NaN where there is no level
 * @example     carriedLevels(days, { from: '2026-10-01', to: '2026-10-28' }, 'followers')[0]
 */
export function carriedLevels(days: DenseDays, period: Period, column: StockColumn): Float64Array {
  const first = dayNumber(period.from)
  const levels = new Float64Array(lengthOf(period)).fill(Number.NaN)
  let level = Number.NaN
  let age = 0
  for (let index = -STOCK_AGE_DAYS; index < levels.length; index++) {
    const value = valueOn(days, column, first + index)
    if (value === value) [level, age] = [value, 0]
    else if (++age > STOCK_AGE_DAYS) level = Number.NaN
    if (index >= 0) levels[index] = level
  }
  return levels
}
