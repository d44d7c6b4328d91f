import { factorContributions } from '../why/factors'

/** How often somebody posts, and what a post brings. */
export interface Output {
  posts: number
  interactions: number
}

/** What parts two members: how much of it is how often they post, and how much what each post brings. */
export interface Separation {
  /** Their posts / ours. */
  posts: number
  /** Their interactions for each post / ours. */
  each: number
  /** Their interactions / ours: the product of the two. */
  together: number
  /** The same as parts of the difference in interactions, which they add up to. */
  parts: { posts: number; each: number }
}

/**
 * What parts a member from another, by the same decomposition as a change: interactions = posts × interactions for each.
 *
 * @returns undefined where one of them has not posted or brought nothing: nothing is no multiple of anything
 * @example separation({ posts: 20, interactions: 400 }, { posts: 40, interactions: 600 })
 * // { posts: 2, each: 0.75, together: 1.5, parts: { posts: 341.9, each: −141.9 } }
 */
export function separation(own: Output, other: Output): Separation | undefined {
  if (own.posts <= 0 || other.posts <= 0 || own.interactions <= 0 || other.interactions <= 0) return undefined
  const each = ({ posts, interactions }: Output) => interactions / posts
  const [posts, per] = factorContributions([
    { key: 'posts', from: own.posts, to: other.posts },
    { key: 'each', from: each(own), to: each(other) },
  ])
  return {
    posts: other.posts / own.posts,
    each: each(other) / each(own),
    together: other.interactions / own.interactions,
    parts: { posts: posts!.change, each: per!.change },
  }
}
