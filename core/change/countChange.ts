import { chanceOf, countsApart } from '../statistics/twoCounts'
import { SMALL_BASE } from './change'
import { CLEAR_LEVEL, clearTogether } from './clearTogether'
import { USUAL_SCATTER, type Scatter } from './scatter'

/** How a plain count differs from an earlier one. */
export interface CountChange {
  from: number
  to: number
  difference: number
  /** The difference as a part of `from`, by the day where the periods are not equally long; absent without a base. */
  relative?: number
  /** Whether the periods are not equally long, so that the days are compared. */
  isPerDay: boolean
  /** Fewer than 30 in either period. */
  isSmall: boolean
  /** Chance alone makes it as large in one of twenty cases or more. */
  isUnclear: boolean
  /** How often chance alone makes it as large; absent in editions of before it was told, and of nothing. */
  chance?: number
}

/**
 * The change from one count to another, each over some days.
 *
 * @param to    the count of the period, and its days (counts ≥ 0, days > 0)
 * @param from  that of the comparison
 * @param scatter  how much more such counts scatter than chance lets them; the stated default where it is not known
 * @throws      RangeError when a period has no days
 * @example     countChange({ count: 120, days: 28 }, { count: 80, days: 28 }).relative // 0.5
 */
export function countChange(
  to: { count: number; days: number },
  from: { count: number; days: number },
  { times, freedom }: Scatter = USUAL_SCATTER,
): CountChange {
  if (to.days < 1 || from.days < 1) throw new RangeError('a period has a day at the least')
  const score = countsApart({ count: to.count, exposure: to.days }, { count: from.count, exposure: from.days })
  const chance = score === undefined ? undefined : chanceOf(score / Math.sqrt(times), freedom)
  return {
    from: from.count,
    to: to.count,
    difference: to.count - from.count,
    ...(from.count > 0 && { relative: to.count / to.days / (from.count / from.days) - 1 }),
    isPerDay: to.days !== from.days,
    isSmall: Math.min(to.count, from.count) < SMALL_BASE,
    isUnclear: chance === undefined || chance >= CLEAR_LEVEL,
    ...(chance !== undefined && { chance }),
  }
}

/**
 * Rows of one page with the changes of their counts, of which some are not clear any more: of all that are called clear
 * no more than one in twenty is there by chance.
 */
export function countsClearOnPage<Row extends { change?: CountChange }>(rows: readonly Row[]): Row[] {
  const clear = clearTogether(rows.map(({ change }) => change?.chance))
  return rows.map((row, index) =>
    row.change && clear[index] === false ? { ...row, change: { ...row.change, isUnclear: true } } : row,
  )
}
