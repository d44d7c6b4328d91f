import { dayNumber } from '../days/day'
import type { FlowMetric } from '../metrics/metric'
import type { FactColumn } from '../metrics/storedFigures'
import { lengthOf, type Period } from '../periods/period'
import type { DenseDays } from './denseDays'

/**
 * What makes up a count of one profile, day by day; NaN where a day lacks one of its parts.
 *
 * @param parts       the stored columns of it that the profile has
 * @param isTogether  whether what is taken away is added too: everything that was counted on both sides
 * @example           partsByDay(partsAt(metric, member, october), member.days!, { from: '2026-01-01', to: '2026-09-30' })
 */
export function partsByDay(
  parts: FlowMetric['parts'],
  days: DenseDays,
  period: Period,
  isTogether = false,
): Float64Array {
  const [first, ...others] = parts
  if (!first) return new Float64Array(lengthOf(period)).fill(Number.NaN)
  const signOf = (own: 1 | -1) => (isTogether ? 1 : own)
  // a day without one of the parts is none: what is added to nothing is nothing
  const own = columnByDay(days, period, first.column)
  if (others.length === 0 && signOf(first.sign) > 0) return own
  const values = own.map((value) => signOf(first.sign) * value)
  for (const part of others) {
    const other = columnByDay(days, period, part.column)
    for (let index = 0; index < values.length; index++) values[index]! += signOf(part.sign) * other[index]!
  }
  return values
}

/** A column over a period; days that it does not have are NaN. */
export function columnByDay({ first, columns }: DenseDays, period: Period, column: FactColumn): Float64Array {
  const own = columns[column]
  const length = lengthOf(period)
  const from = dayNumber(period.from) - first
  if (own && from >= 0 && from + length <= own.length) return own.subarray(from, from + length)
  const values = new Float64Array(length).fill(Number.NaN)
  if (own) for (let index = Math.max(0, -from); index < length; index++) values[index] = own[from + index] ?? Number.NaN
  return values
}
