import { median } from '../statistics/median'
import { wilson } from '../statistics/wilson'
import { LEAST_POSTS } from '../why/carryingPosts'

/** A post, as far as it is added up. */
export interface CountedPost {
  impressions: number | null
  interactions: number | null
  /** Its interactions as a multiple of what is usual for its profile. */
  times?: number
}

/** What some posts have brought together. */
export interface PostTotals {
  posts: number
  /** The sum, over as many of them as tell it; absent where none does. */
  impressions?: { sum: number; of: number }
  interactions?: { sum: number; of: number }
  /** Interactions for each impression, of the posts that tell both, with its 95 % interval (Wilson 1927). */
  rate?: { value: number; low: number; high: number }
  /** The median interactions of a post, and times usual; of five at the least. */
  middle?: number
  times?: number
}

/**
 * What posts have brought together: sums of what is told, the rate as the ratio of its sums, and the middle post, which
 * one that spread does not move.
 *
 * @example totalsOf([{ impressions: 100, interactions: 5 }, { impressions: null, interactions: 2 }]).interactions
 *          // { sum: 7, of: 2 }
 */
export function totalsOf(posts: readonly CountedPost[]): PostTotals {
  const sumOf = (of: 'impressions' | 'interactions') => {
    const known = posts.flatMap((post) => post[of] ?? [])
    return known.length === 0 ? undefined : { sum: known.reduce((all, value) => all + value, 0), of: known.length }
  }
  const [impressions, interactions] = [sumOf('impressions'), sumOf('interactions')]
  const both = posts.filter((post) => post.impressions !== null && post.interactions !== null)
  const [top, bottom] = (['interactions', 'impressions'] as const).map((of) =>
    both.reduce((sum, post) => sum + post[of]!, 0),
  ) as [number, number]
  const brought = posts.flatMap((post) => post.interactions ?? [])
  const times = posts.flatMap((post) => post.times ?? [])
  return {
    posts: posts.length,
    ...(impressions && { impressions }),
    ...(interactions && { interactions }),
    ...(bottom > 0 && top <= bottom && { rate: { value: top / bottom, ...wilson(top, bottom) } }),
    ...(brought.length >= LEAST_POSTS && { middle: median(brought)! }),
    ...(times.length >= LEAST_POSTS && { times: median(times)! }),
  }
}
