import { median } from './median'

/**
 * The median absolute deviation of a normal distribution is so many times smaller than its standard deviation
 * (NIST/SEMATECH e-Handbook, 1.3.5.6).
 */
const MAD_TO_DEVIATION = 1.4826
/** What a median absolute deviation knows of a spread, beside a standard deviation: its efficiency on normal values. */
const EFFICIENCY = 0.37

/** Where values lie and how far they scatter, neither moved by a few that lie far off. */
export interface RobustSpread {
  middle: number
  /** As a standard deviation, where they are normal. */
  spread: number
  /** With how many degrees of freedom the spread is known. */
  freedom: number
}

/**
 * The median of values and their spread by the median absolute deviation from it.
 *
 * @returns undefined for no values
 * @example robustSpread([1, 2, 3, 4, 100]) // { middle: 3, spread: 1.4826, freedom: 1.48 }
 */
export function robustSpread(values: readonly number[]): RobustSpread | undefined {
  const middle = median(values)
  if (middle === undefined) return undefined
  const spread = MAD_TO_DEVIATION * median(values.map((value) => Math.abs(value - middle)))!
  return { middle, spread, freedom: EFFICIENCY * (values.length - 1) }
}
