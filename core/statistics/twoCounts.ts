import { normalQuantile } from './normalQuantile'

/** A count and over how much it was counted: days, people, impressions. */
export interface Exposed {
  count: number
  exposure: number
}

/** Up to so many in all the chance is added up; beyond, the normal distribution is as good. */
const MOST_ADDED = 2000

/**
 * How many standard deviations two counts lie apart if both come at the same rate: of all of them together each falls
 * into the first with the share that its exposure has (the conditional test: Przyborowski & Wilenski 1940, Biometrika
 * 31:313–323), in both directions, of the very number that was counted half (the mid-p of Lancaster 1961). Of many the
 * score, which is the same.
 *
 * @returns above 0 where the first is the more frequent; undefined where nothing was counted or nothing could be
 * @example countsApart({ count: 646, exposure: 28 }, { count: 679, exposure: 28 }) // −0.91
 */
export function countsApart(one: Exposed, other: Exposed): number | undefined {
  const all = one.count + other.count
  if (!(all > 0) || !(one.exposure > 0) || !(other.exposure > 0) || one.count < 0 || other.count < 0) return undefined
  const share = one.exposure / (one.exposure + other.exposure)
  const isWhole = Number.isInteger(one.count) && Number.isInteger(other.count)
  const score = (one.count - all * share) / Math.sqrt(all * share * (1 - share))
  if (!isWhole || all > MOST_ADDED) return score
  // the tail is added up from its own end: what is left of the other one would be nothing but rounding
  const chance = score < 0 ? binomialBelow(one.count, all, share) : binomialBelow(other.count, all, 1 - share)
  if (chance < 1e-12 || chance >= 0.5) return chance >= 0.5 ? 0 : score
  return (score < 0 ? 1 : -1) * normalQuantile(chance)
}

/** The chance of fewer than `count` of `all`, and half of that of just so many. */
function binomialBelow(count: number, all: number, share: number): number {
  let log = all * Math.log1p(-share)
  let below = 0
  const step = Math.log(share) - Math.log1p(-share)
  for (let found = 0; found <= count; found++) {
    below += found === count ? Math.exp(log) / 2 : Math.exp(log)
    log += Math.log((all - found) / (found + 1)) + step
  }
  return Math.min(1, below)
}

/**
 * How many standard deviations two proportions lie apart if both are the same: the score test of two samples with their
 * pooled share.
 *
 * @returns undefined where a group has nobody, or all or none of both have it
 * @example sharesApart({ count: 81, exposure: 263 }, { count: 15, exposure: 148 }) // 4.7
 */
export function sharesApart(one: Exposed, other: Exposed): number | undefined {
  const pooled = (one.count + other.count) / (one.exposure + other.exposure)
  if (!(one.exposure > 0) || !(other.exposure > 0) || !(pooled > 0) || !(pooled < 1)) return undefined
  const spread = Math.sqrt(pooled * (1 - pooled) * (1 / one.exposure + 1 / other.exposure))
  return (one.count / one.exposure - other.count / other.exposure) / spread
}

/**
 * How often chance alone sets two samples at least so far apart, in either direction.
 *
 * @param score    how many standard deviations they lie apart, with the scatter that was measured
 * @param freedom  with how many degrees of freedom the scatter was measured; none where it is known: by the normal
 *   approximation of Student's t (Wallace 1959, Ann Math Stat 30:1124–1130)
 * @example chanceOf(1.96) // 0.05
 */
export function chanceOf(score: number, freedom = Infinity): number {
  const size = Math.abs(score)
  const normal = Number.isFinite(freedom)
    ? (Math.sqrt(freedom * Math.log1p((size * size) / freedom)) * (8 * freedom + 1)) / (8 * freedom + 3)
    : size
  return Math.min(1, 2 * upperTail(normal))
}

/** The chance of a standard normal value above: Abramowitz & Stegun 1964, 26.2.17, and its tail beyond 6. */
function upperTail(value: number): number {
  if (value > 6) return Math.exp((-value * value) / 2) / (value * Math.sqrt(2 * Math.PI))
  const t = 1 / (1 + 0.2316419 * value)
  const series = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return (series * Math.exp((-value * value) / 2)) / Math.sqrt(2 * Math.PI)
}
