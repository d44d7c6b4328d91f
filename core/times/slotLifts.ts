import { cholesky, forwardSolve } from '../statistics/cholesky'
import { normalQuantile } from '../statistics/normalQuantile'
import { SLOTS } from './slots'

/** How much better than usual posts of a slot do. */
export interface SlotLift {
  slot: number
  posts: number
  /** The mean of its own posts beside usual, as a share: 0.36 is 36 % more. Absent where it has none. */
  raw?: number
  /** Drawn towards its weekday, its hour and its neighbours, with its 80 % interval. Absent below three posts. */
  lift?: { value: number; low: number; high: number }
  /** How many posts are missing for that. */
  missing: number
  /** What is thought of it, posts or none: the mean and the spread of its logarithm. */
  mean: number
  spread: number
}

/** What posts did by slot. */
export interface SlotLifts {
  slots: SlotLift[]
  /** How far single posts scatter around what is usual in their slot, in logarithms. */
  scatter: number
  posts: number
}

/** From so many posts on a slot has a lift. */
export const LEAST_POSTS_OF_SLOT = 3
/** Lifts are given with an interval that holds four of five. */
export const LIFT_LEVEL = 0.8
const QUANTILE = normalQuantile(0.5 + LIFT_LEVEL / 2)
/** How many hours neighbours reach, of an hour of the day and of a slot around the week. */
const [HOURS_REACH, SLOTS_REACH] = [2, 1.5]
/**
 * How far weekdays and hours of the day may lie from usual, in logarithms: each is tried, and counts by how well it
 * accounts for what was seen.
 */
const [WEEKDAY_SPREADS, HOUR_SPREADS] = [
  [0, 0.07, 0.2],
  [0, 0.1, 0.3],
]
/**
 * How far a single slot may lie from those: not learned, as most slots are as usual and would teach that the one that is
 * not cannot be. With this a planted slot lies within its interval at the stated rate.
 */
const SLOT_SPREAD = 0.3
/** What accounts for so little of it is left out. */
const LEAST_WEIGHT = 0.01

/** Less alike than this is not at all: numbers far below would only be slow to reckon with. */
const LEAST_ALIKE = 1e-12

/** How alike two places on a circle are, from 1 to 0: the periodic kernel (MacKay 1998). */
function alike(apart: number, around: number, reach: number): number {
  const value = Math.exp((-2 * Math.sin((Math.PI * apart) / around) ** 2) / ((2 * Math.PI * reach) / around) ** 2)
  return value < LEAST_ALIKE ? 0 : value
}

const SAME_WEEKDAY = new Float64Array(SLOTS * SLOTS)
const LIKE_HOUR = new Float64Array(SLOTS * SLOTS)
const LIKE_SLOT = new Float64Array(SLOTS * SLOTS)
for (let one = 0; one < SLOTS; one++)
  for (let other = 0; other < SLOTS; other++) {
    const place = one * SLOTS + other
    SAME_WEEKDAY[place] = Math.floor(one / 24) === Math.floor(other / 24) ? 1 : 0
    LIKE_HOUR[place] = alike((one % 24) - (other % 24), 24, HOURS_REACH)
    LIKE_SLOT[place] = alike(one - other, SLOTS, SLOTS_REACH)
  }

/**
 * How much better than usual posts of each slot do. Every slot is thought of as its weekday's effect, its hour's and
 * its own, where hours and slots that lie near each other are alike; what is thought of it is the mean of its posts
 * drawn towards those as far as its posts are few (best linear unbiased prediction: Henderson 1975, Biometrics
 * 31:423–447; with such likenesses, Rasmussen & Williams 2006, ch. 2). How large the effects of weekdays and hours are
 * is not presumed: several sizes are tried, and each counts by how well it accounts for the posts (op. cit. ch. 5).
 *
 * @param slots      the slot of each post
 * @param residuals  how far each was from usual, in logarithms, as `besideUsual` gives them
 * @example          slotLifts(slots, residuals).slots[92]?.lift // { value: 0.31, low: 0.14, high: 0.5 }
 */
export function slotLifts(slots: ArrayLike<number>, residuals: ArrayLike<number>): SlotLifts {
  const { counts, means, scatter } = bySlot(slots, residuals)
  const seen = Array.from({ length: SLOTS }, (_, slot) => slot).filter((slot) => counts[slot]! > 0)
  const thought = thoughtOf(seen, counts, means, scatter)
  return {
    slots: Array.from({ length: SLOTS }, (_, slot) => {
      const [posts, mean, spread] = [counts[slot]!, thought.means[slot]!, thought.spreads[slot]!]
      return {
        slot,
        posts,
        ...(posts > 0 && { raw: Math.expm1(means[slot]!) }),
        ...(posts >= LEAST_POSTS_OF_SLOT && {
          lift: {
            value: Math.expm1(mean),
            low: Math.expm1(mean - QUANTILE * spread),
            high: Math.expm1(mean + QUANTILE * spread),
          },
        }),
        missing: Math.max(0, LEAST_POSTS_OF_SLOT - posts),
        mean,
        spread,
      }
    }),
    scatter,
    posts: slots.length,
  }
}

/** Of each slot the posts and their mean; and the scatter of posts within slots. */
function bySlot(slots: ArrayLike<number>, residuals: ArrayLike<number>) {
  const counts = new Float64Array(SLOTS)
  const means = new Float64Array(SLOTS)
  for (let index = 0; index < slots.length; index++) {
    counts[slots[index]!]! += 1
    means[slots[index]!]! += residuals[index]!
  }
  for (let slot = 0; slot < SLOTS; slot++) if (counts[slot]! > 0) means[slot]! /= counts[slot]!
  let [within, all, used] = [0, 0, 0]
  for (let index = 0; index < slots.length; index++) {
    within += (residuals[index]! - means[slots[index]!]!) ** 2
    all += residuals[index]! ** 2
  }
  for (const count of counts) if (count > 0) used++
  const free = slots.length - used
  const variance = free >= 10 ? within / free : slots.length > 1 ? all / (slots.length - 1) : 0
  // posts that are alike to the last digit still say no more than posts can
  return { counts, means, scatter: Math.max(Math.sqrt(variance), 1e-3) }
}

/** The mean and the spread of every slot, over all sizes that the effects may have. */
function thoughtOf(seen: readonly number[], counts: Float64Array, means: Float64Array, scatter: number) {
  const n = seen.length
  const sizes = WEEKDAY_SPREADS.flatMap((weekday) =>
    HOUR_SPREADS.map((hour) => [weekday ** 2, hour ** 2, SLOT_SPREAD ** 2] as const),
  )
  const observed = Float64Array.from(seen, (slot) => means[slot]!)
  const tried = sizes.map(([weekday, hour, slot]) => {
    const together = (place: number) =>
      weekday * SAME_WEEKDAY[place]! + hour * LIKE_HOUR[place]! + slot * LIKE_SLOT[place]!
    const matrix = new Float64Array(n * n)
    for (let row = 0; row < n; row++)
      for (let column = 0; column <= row; column++)
        matrix[row * n + column] =
          together(seen[row]! * SLOTS + seen[column]!) + (row === column ? scatter ** 2 / counts[seen[row]!]! : 0)
    const lower = cholesky(matrix, n)
    const solved = forwardSolve(lower, observed, n)
    let fit = 0
    for (let row = 0; row < n; row++) fit -= solved[row]! ** 2 / 2 + Math.log(lower[row * n + row]!)
    return { together, lower, solved, fit, prior: weekday + hour + slot }
  })
  const best = Math.max(...tried.map(({ fit }) => fit))
  const all = tried.reduce((sum, { fit }) => sum + Math.exp(fit - best), 0)
  const first = new Float64Array(SLOTS)
  const second = new Float64Array(SLOTS)
  let whole = 0
  for (const { together, lower, solved, fit, prior } of tried) {
    const weight = Math.exp(fit - best) / all
    if (weight < LEAST_WEIGHT) continue
    whole += weight
    const beside = new Float64Array(n * SLOTS)
    for (let row = 0; row < n; row++)
      for (let slot = 0; slot < SLOTS; slot++) beside[row * SLOTS + slot] = together(seen[row]! * SLOTS + slot)
    const own = forwardSolve(lower, beside, n, SLOTS)
    for (let slot = 0; slot < SLOTS; slot++) {
      let [mean, variance] = [0, prior]
      for (let row = 0; row < n; row++) {
        const value = own[row * SLOTS + slot]!
        mean += value * solved[row]!
        variance -= value ** 2
      }
      first[slot]! += weight * mean
      second[slot]! += weight * (Math.max(0, variance) + mean ** 2)
    }
  }
  const middle = first.map((sum) => sum / whole)
  return {
    means: middle,
    spreads: second.map((sum, slot) => Math.sqrt(Math.max(0, sum / whole - middle[slot]! ** 2))),
  }
}

/**
 * How wide the interval of a slot would be after further posts in it: half of it, as a factor.
 *
 * @param spread   what is thought of the slot now, in logarithms
 * @param scatter  how far single posts scatter
 * @returns        0.15 for "within 15 % either way"
 * @example        halfWidth(0.2, 0.4, 2) // 0.21
 */
export const halfWidth = (spread: number, scatter: number, further = 0): number =>
  Math.expm1(QUANTILE / Math.sqrt(1 / spread ** 2 + further / scatter ** 2))
