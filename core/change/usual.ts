import { median } from '../statistics/median'

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
export const LEAST_USUAL = 8

/** The 90 % quantile of the standard normal distribution: four of five lie between it and its mirror. */
const Z80 = 1.2815515655446004

/**
 * The median absolute deviation of a normal distribution is so many times smaller than its standard deviation
 * (NIST/SEMATECH e-Handbook, 1.3.5.6).
 */
const MAD_TO_DEVIATION = 1.4826

/**
 * How much such a change usually is: the median of earlier changes and, around it, four fifths of a normal spread by
 * their median absolute deviation, so that a storm in last year's figures does not make every change look usual.
 * Relative changes are taken as logarithms, on which a rise to twice and a fall to half are alike.
 *
 * @param pairs  the values of earlier comparisons, from and to
 * @param scale  `difference` for metrics that can be below zero
 * @returns      undefined with fewer than eight comparisons
 * @example      usualOf([{ from: 100, to: 110 }, …], 'relative') // { scale: 'relative', low: -0.02, high: 0.13, count:
 *                          12 }
 */
export function usualOf(pairs: readonly { from: number; to: number }[], scale: Usual['scale']): Usual | undefined {
  const sizes =
    scale === 'difference'
      ? pairs.map(({ from, to }) => to - from)
      : pairs.filter(({ from, to }) => from > 0 && to > 0).map(({ from, to }) => Math.log(to / from))
  if (sizes.length < LEAST_USUAL) return undefined
  const middle = median(sizes)!
  const half = Z80 * MAD_TO_DEVIATION * median(sizes.map((size) => Math.abs(size - middle)))!
  const ends = [middle - half, middle + half].map((size) => (scale === 'difference' ? size : Math.exp(size) - 1))
  return { scale, low: ends[0]!, high: ends[1]!, count: sizes.length }
}
