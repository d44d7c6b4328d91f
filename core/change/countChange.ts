import { countInterval } from '../statistics/countInterval'
import { OVERLAP_UNCLEAR, SMALL_BASE } from './change'

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
  /** Chance alone may be all of it: the 95 % intervals overlap by three quarters of the narrower one, or more. */
  isUnclear: boolean
}

/**
 * The change from one count to another, each over some days.
 *
 * @param to    the count of the period, and its days (counts ≥ 0, days > 0)
 * @param from  that of the comparison
 * @throws      RangeError when a period has no days
 * @example     countChange({ count: 120, days: 28 }, { count: 80, days: 28 }).relative // 0.5
 */
export function countChange(to: { count: number; days: number }, from: { count: number; days: number }): CountChange {
  if (to.days < 1 || from.days < 1) throw new RangeError('a period has a day at the least')
  const [now, then] = [to, from].map(({ count, days }) => {
    const { low, high } = countInterval(count)
    return { value: count / days, low: low / days, high: high / days }
  }) as [Span, Span]
  const shared = Math.min(now.high, then.high) - Math.max(now.low, then.low)
  const narrower = Math.min(now.high - now.low, then.high - then.low)
  return {
    from: from.count,
    to: to.count,
    difference: to.count - from.count,
    ...(from.count > 0 && { relative: now.value / then.value - 1 }),
    isPerDay: to.days !== from.days,
    isSmall: Math.min(to.count, from.count) < SMALL_BASE,
    isUnclear: narrower > 0 ? shared / narrower >= OVERLAP_UNCLEAR : shared >= 0,
  }
}

interface Span {
  value: number
  low: number
  high: number
}
