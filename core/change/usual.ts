import { studentQuantile } from '../statistics/studentQuantile'
import { robustSpread } from '../statistics/robustSpread'

/** Between which changes four of five such changes lay over the past year. */
export interface Usual {
  /**
   * Whether `low` and `high` are parts of the earlier value (−0.1 is a tenth less) or, for what can be below zero,
   * differences in the metric's unit.
   */
  scale: 'relative' | 'difference'
  low: number
  high: number
  /** How many earlier comparisons it rests on. */
  count: number
}

/** Fewer earlier comparisons than this say nothing of what is usual. */
export const LEAST_USUAL = 12

/** Fewer degrees of freedom than these are taken for as many: the quantile of Student's t is not known below. */
const LEAST_FREEDOM = 5

/**
 * How much such a change usually is: the median of earlier changes and, around it, where four of five further ones lie
 * by their median absolute deviation, so that a storm in last year's figures does not make every change look usual. The
 * fewer they are, the wider that is: Student's t with the degrees of freedom that a median absolute deviation has, and
 * the median's own doubt.
 * Relative changes are taken as logarithms, on which a rise to twice and a fall to half are alike.
 *
 * @param pairs  the values of earlier comparisons, from and to
 * @param scale  `difference` for metrics that can be below zero
 * @returns      undefined with fewer than a dozen comparisons
 * @example      usualOf([{ from: 100, to: 110 }, …], 'relative') // { scale: 'relative', low: -0.02, high: 0.13, count:
 *                          12 }
 */
export function usualOf(pairs: readonly { from: number; to: number }[], scale: Usual['scale']): Usual | undefined {
  const sizes =
    scale === 'difference'
      ? pairs.map(({ from, to }) => to - from)
      : pairs.filter(({ from, to }) => from > 0 && to > 0).map(({ from, to }) => Math.log(to / from))
  if (sizes.length < LEAST_USUAL) return undefined
  const { middle, spread, freedom } = robustSpread(sizes)!
  const half =
    studentQuantile(0.9, Math.max(LEAST_FREEDOM, freedom)) * Math.sqrt(1 + Math.PI / 2 / sizes.length) * spread
  const ends = [middle - half, middle + half].map((size) => (scale === 'difference' ? size : Math.exp(size) - 1))
  return { scale, low: ends[0]!, high: ends[1]!, count: sizes.length }
}
