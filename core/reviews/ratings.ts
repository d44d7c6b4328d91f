/** Most stars that a review gives. */
export const MOST_STARS = 5

/** How many reviews gave one star, two, and so on. */
export type StarCounts = readonly [number, number, number, number, number]

/** What reviews come to. */
export interface RatingSummary {
  count: number
  /** The mean of the stars; absent without reviews. */
  mean?: number
  /** Their standard deviation (n − 1); absent with fewer than two. */
  spread?: number
}

/**
 * The mean and the spread of reviews.
 *
 * @example ratingSummary([1, 0, 0, 0, 1]) // { count: 2, mean: 3, spread: 2.83 }
 */
export function ratingSummary(counts: StarCounts): RatingSummary {
  const count = counts.reduce((sum, each) => sum + each, 0)
  if (count === 0) return { count }
  const mean = counts.reduce((sum, each, index) => sum + each * (index + 1), 0) / count
  if (count === 1) return { count, mean }
  const squares = counts.reduce((sum, each, index) => sum + each * (index + 1 - mean) ** 2, 0)
  return { count, mean, spread: Math.sqrt(squares / (count - 1)) }
}

/** So many reviews at the mean of all weigh as much as what is known of one place. */
export const SHRINKING_REVIEWS = 10

/**
 * A mean that few reviews do not swing: as if `SHRINKING_REVIEWS` more were there, each at the mean of all places. A
 * weighted mean of the two, as credibility theory has it (Bühlmann H, 1967, ASTIN Bulletin 4:199–207) with a fixed weight.
 *
 * @param own     the mean of the place, and of how many reviews it is
 * @param common  the mean of all places together
 * @example shrunkMean({ mean: 5, count: 2 }, 4) // 4.17
 */
export const shrunkMean = (own: { mean: number; count: number }, common: number): number =>
  (own.mean * own.count + common * SHRINKING_REVIEWS) / (own.count + SHRINKING_REVIEWS)
