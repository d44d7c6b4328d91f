import { factorContributions } from '../why/factors'
import { mixAndRate, type RateContribution } from '../why/mixAndRate'

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

/** What the posts of one format brought together. */
export type FormatOutput = Output & { format: string }

/** What parts two members per post: how much of it is in which formats they post, and how much what each format brings. */
export interface FormatSeparation {
  /** Interactions for each post: ours, theirs, and the two parts of the difference, which add up to it. */
  from: number
  to: number
  mix: number
  rate: number
  /** The format that does most of it, with its own two parts. */
  most: RateContribution
}

/** Of fewer posts than these nothing is said of formats. */
const LEAST_OF_FORMATS = 5

/**
 * What parts a member from another per post, by the decomposition of a rate into mix and rate: a member that has nothing
 * in a format differs in it by the mix alone.
 *
 * @returns undefined where one of them has fewer than five posts
 * @example formatSeparation([{ format: 'clip', posts: 5, interactions: 50 }], [{ format: 'clip', posts: 5, interactions: 100 }])
 * // { from: 10, to: 20, mix: 0, rate: 10, most: { key: 'clip', … } }
 */
export function formatSeparation(
  own: readonly FormatOutput[],
  other: readonly FormatOutput[],
): FormatSeparation | undefined {
  const postsOf = (outputs: readonly Output[]) => outputs.reduce((sum, { posts }) => sum + posts, 0)
  if (postsOf(own) < LEAST_OF_FORMATS || postsOf(other) < LEAST_OF_FORMATS) return undefined
  const partOf = (outputs: readonly FormatOutput[], format: string) => {
    const same = outputs.filter((each) => each.format === format)
    return { numerator: same.reduce((sum, { interactions }) => sum + interactions, 0), denominator: postsOf(same) }
  }
  const formats = [...new Set([...own, ...other].map(({ format }) => format))].sort()
  const told = mixAndRate(formats.map((key) => ({ key, from: partOf(own, key), to: partOf(other, key) })))
  if (!told) return undefined
  const { from, to, mix, rate, parts } = told
  return { from, to, mix, rate, most: parts[0]! }
}
