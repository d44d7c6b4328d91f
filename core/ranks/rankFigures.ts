/** How far down a list of results is looked: what stands lower is “not among the first 20”, wherever it is. */
export const DEPTH = 20

/** How many are the first ones. */
export const FIRST = 3

/** A rank from 1; null is not among the first 20: a rank that is known to be worse, and no more. */
export type Rank = number | null

/**
 * The middle of some ranks. Where it lies between two of which the lower one is not known, it is known on one side
 * alone.
 */
export interface MiddleRank {
  /** The better side. */
  low: Rank
  /** The worse one; the same, where the middle is one of the ranks or between two that are alike. */
  high: Rank
}

const asPlace = (rank: Rank): number => rank ?? Infinity
const asRank = (place: number): Rank => (place === Infinity ? null : place)

/**
 * The better of two ranks comes first; two of which neither is among the first 20 are alike.
 *
 * @example [null, 3, 1].sort(byRank) // [1, 3, null]
 */
export const byRank = (a: Rank, b: Rank): number => (a === b ? 0 : asPlace(a) - asPlace(b))

/**
 * The median of ranks, some of which are only known to be worse than 20: these are the worst, and never a number. Of an
 * even count it is the mean of the two in the middle where both are known, otherwise all that lies between them.
 *
 * @returns undefined for no ranks
 * @example medianRank([1, 4, null])      // { low: 4, high: 4 }
 * @example medianRank([1, 4, null, null]) // { low: 4, high: null }
 */
export function medianRank(ranks: readonly Rank[]): MiddleRank | undefined {
  if (ranks.length === 0) return undefined
  const sorted = ranks.map(asPlace).sort((a, b) => (a === b ? 0 : a - b))
  const [low, high] = [sorted[(sorted.length - 1) >> 1]!, sorted[sorted.length >> 1]!]
  if (high === Infinity) return { low: asRank(low), high: null }
  return { low: (low + high) / 2, high: (low + high) / 2 }
}

/** How many of some ranks are among the first three. */
export const inFirst = (ranks: readonly Rank[]): number => ranks.filter((rank) => asPlace(rank) <= FIRST).length

/**
 * How far a rank has moved, in places: towards the top is more than zero. Where one of the two is not known, it has moved
 * at least so far; where neither is, nothing is known of it.
 *
 * @example moveOf(7, 3)    // { places: 4, isAtLeast: false }
 * @example moveOf(3, null) // { places: -18, isAtLeast: true }
 */
export function moveOf(before: Rank, now: Rank): { places: number; isAtLeast: boolean } | undefined {
  if (before === null && now === null) return undefined
  return {
    places: (before ?? DEPTH + 1) - (now ?? DEPTH + 1),
    isAtLeast: before === null || now === null,
  }
}
