import { median } from '../statistics/median'

/** A post, as far as it can have carried a change. */
export interface PostValue {
  id: string
  profile: number
  /** What it has brought so far. */
  value: number
}

/** A post with what its profile's posts usually bring. */
export type CarryingPost<P extends PostValue> = P & {
  /** The median of the profile's own posts, this one left out; absent with fewer than five others. */
  usual?: number
  /** How many times that it is. */
  times?: number
}

/** How many other posts a profile needs before one of them can be called usual. */
export const LEAST_POSTS = 5

/**
 * The posts that carried a figure the most, and those that carried it the least, each beside what its profile's posts
 * usually bring.
 *
 * @param posts  those of the period
 * @param past   those from which the usual is taken: of the same profiles, over a longer time
 * @param many   how many of each; a post stands in one list only
 * @returns      the best with the largest first, the weakest with the smallest first
 * @example      carryingPosts(october, lastNinetyDays, 3).best[0] // { id: '7', value: 812, usual: 264, times: 3.08, …
 *                                      }
 */
export function carryingPosts<P extends PostValue>(
  posts: readonly P[],
  past: readonly PostValue[],
  many: number,
): { best: CarryingPost<P>[]; weakest: CarryingPost<P>[] } {
  const sorted = [...posts].sort((a, b) => b.value - a.value)
  const best = sorted.slice(0, many)
  const weakest = sorted.slice(many).slice(-many).reverse()
  const beside = (post: P): CarryingPost<P> => {
    const others = past
      .filter(({ profile, id }) => profile === post.profile && id !== post.id)
      .map(({ value }) => value)
    const usual = others.length >= LEAST_POSTS ? median(others) : undefined
    return {
      ...post,
      ...(usual !== undefined && { usual }),
      ...(usual !== undefined && usual > 0 && { times: post.value / usual }),
    }
  }
  return { best: best.map(beside), weakest: weakest.map(beside) }
}
