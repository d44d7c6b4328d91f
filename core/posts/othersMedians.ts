import { LEAST_POSTS } from '../why/carryingPosts'

/**
 * The median of all other values, for a value of a list: it has only three answers, by whether the value lies below, at
 * or above the middle.
 */
export interface OthersMedians {
  middle: number
  below: number
  same: number
  above: number
}

/**
 * What the others of a list have in the middle, whichever of its values is left out.
 *
 * @param values  in any order
 * @returns       undefined where there are fewer than five others
 * @example       othersMedians([1, 2, 3, 4, 5, 6, 7]) // { middle: 4, below: 4.5, same: 4, above: 3.5 }
 */
export function othersMedians(values: readonly number[]): OthersMedians | undefined {
  if (values.length <= LEAST_POSTS) return undefined
  const sorted = [...values].sort((a, b) => a - b)
  const half = Math.floor(sorted.length / 2)
  const [before, middle, after] = [sorted[half - 1]!, sorted[half]!, sorted[half + 1]!]
  return sorted.length % 2 === 0
    ? { middle, below: middle, same: before, above: before }
    : { middle, below: (middle + after) / 2, same: (before + after) / 2, above: (before + middle) / 2 }
}

/** The median of all others, for a value of the list that `othersMedians` was given. */
export const othersOf = (value: number, { middle, below, same, above }: OthersMedians): number =>
  value < middle ? below : value > middle ? above : same
