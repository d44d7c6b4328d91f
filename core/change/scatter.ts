import { robustSpread } from '../statistics/robustSpread'

/**
 * How much more such counts scatter than chance alone lets them: 1 is a Poisson count, 2 has twice its variance
 * (quasi-Poisson: McCullagh & Nelder 1989, 6.2).
 */
export interface Scatter {
  times: number
  /** With how many degrees of freedom it was measured; absent where it is the stated default. */
  freedom?: number
}

/** What is taken where nothing is known of a count's own past: twice the variance of a Poisson count. Ours. */
export const USUAL_SCATTER: Scatter = { times: 2 }

/** Fewer earlier pairs than this say nothing of how they scatter. */
export const LEAST_PAIRS = 8

/**
 * The scatter of a count, from how far earlier pairs of it lay apart: the squared spread of their scores around their
 * middle, so that a steady growth is none and one storm does not hide everything after it. Never below that of chance.
 *
 * @param scores  of each earlier pair how many standard deviations of chance it lay apart
 * @example scatterOf([0.5, −1.2, 2.1, …]) // { times: 2.3, freedom: 4.1 }
 */
export function scatterOf(scores: readonly number[]): Scatter {
  if (scores.length < LEAST_PAIRS) return USUAL_SCATTER
  const { spread, freedom } = robustSpread(scores)!
  return { times: Math.max(1, spread * spread), freedom }
}

/**
 * The scatter of a count from its days: each beside the same weekday a week before.
 *
 * @param days  the count of each day, undefined where it is not known
 * @example scatterOfDays([10, 12, 9, 11, 14, 20, 22, 11, 13, 8, 12, 13, 21, 20, …]).times // 1
 */
export function scatterOfDays(days: readonly (number | null | undefined)[]): Scatter {
  let [sum, pairs] = [0, 0]
  for (let at = 7; at < days.length; at++) {
    const [now, then] = [days[at], days[at - 7]]
    if (now == null || then == null || now + then === 0) continue
    sum += (now - then) ** 2 / (now + then)
    pairs++
  }
  return pairs < LEAST_PAIRS ? USUAL_SCATTER : { times: Math.max(1, sum / pairs), freedom: pairs - 1 }
}
