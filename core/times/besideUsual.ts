import { median } from '../statistics/median'
import { robustSpread } from '../statistics/robustSpread'

/** A post with what came back for it. */
export interface RespondedPost {
  /** When it was published, in milliseconds since 1970 UTC. */
  at: number
  profile: number
  format: string
  /** How much came back, and for how many of what that is counted; absent where it is for the post itself. */
  response: number
  base?: number
}

/** What is usual of a profile is the median of the posts so many days before and after a post: 90 days together. */
export const USUAL_DAYS = 45
/** Of fewer posts than these no usual is told: that of all posts of the profile stands in its place. */
const LEAST_AROUND = 5
/** A format's effect is drawn towards none as if so many further posts had been as usual. */
const DRAWN_POSTS = 5
/** No post counts for more than so many robust standard deviations. */
const MOST_SPREADS = 3

/**
 * How posts did beside what is usual: log((response + ½) / (base + 1)), less the running median of the profile over 90
 * days around the post, less what its format does (the median of the rest, drawn towards none), and no further away
 * than three robust standard deviations, so that one post that spread does not decide.
 *
 * @param posts  in any order
 * @returns      of each in its place how far it was from usual, in logarithms; the mean over all is 0
 * @example      besideUsual(posts)[0] // 0.27: it brought 31 % more than usual
 */
export function besideUsual(posts: readonly RespondedPost[]): Float64Array {
  const rest = withoutFormats(posts, besideProfile(posts))
  const { middle, spread } = robustSpread([...rest]) ?? { middle: 0, spread: 0 }
  const limit = spread > 0 ? MOST_SPREADS * spread : Infinity
  const held = rest.map((value) => Math.max(-limit, Math.min(limit, value - middle)))
  const mean = held.length > 0 ? held.reduce((sum, value) => sum + value, 0) / held.length : 0
  return held.map((value) => value - mean)
}

/**
 * How posts did beside the median of their profile over 90 days around each: log((response + ½) / (base + 1)), less that
 * median.
 *
 * @param posts  in any order
 * @returns      of each in its place, in logarithms; 0 is the median
 * @example      Math.exp(besideProfile(posts)[0]) // 1.8: times what is usual of its profile
 */
export function besideProfile(posts: readonly RespondedPost[]): Float64Array {
  const levels = Float64Array.from(posts, ({ response, base }) =>
    Math.log((response + 0.5) / (base === undefined ? 1 : base + 1)),
  )
  const usualLevels = runningMedians(posts, levels)
  return levels.map((level, index) => level - usualLevels[index]!)
}

/**
 * The same without what its format does for a profile: the median of the profile's posts of that format, drawn towards
 * none as if five further posts had been as usual.
 *
 * @param beside  what `besideProfile` says of these posts
 * @example       withoutFormats(posts, besideProfile(posts))[0] // 0.2
 */
export function withoutFormats(posts: readonly RespondedPost[], beside: Float64Array): Float64Array {
  const rest = beside.slice()
  for (const indices of groupsOf(posts, ({ profile, format }) => `${profile} ${format}`).values()) {
    const effect = median(indices.map((index) => rest[index]!))! * (indices.length / (indices.length + DRAWN_POSTS))
    for (const index of indices) rest[index]! -= effect
  }
  return rest
}

/** Which posts belong to each group, by their place in the list. */
function groupsOf<T>(items: readonly T[], groupOf: (item: T) => string | number): Map<string | number, number[]> {
  const groups = new Map<string | number, number[]>()
  items.forEach((item, index) => {
    const group = groupOf(item)
    const own = groups.get(group)
    if (own) own.push(index)
    else groups.set(group, [index])
  })
  return groups
}

/** The median level of the posts of the same profile around each post. */
function runningMedians(posts: readonly RespondedPost[], levels: Float64Array): Float64Array {
  const medians = new Float64Array(posts.length)
  const reach = USUAL_DAYS * 86_400_000
  for (const indices of groupsOf(posts, ({ profile }) => profile).values()) {
    const order = indices.sort((a, b) => posts[a]!.at - posts[b]!.at || a - b)
    const all = median(order.map((index) => levels[index]!))!
    // the levels inside the window, always in order: one is put in or taken out at its place
    const window: number[] = []
    let [first, last] = [0, 0]
    for (const index of order) {
      const { at } = posts[index]!
      for (; last < order.length && posts[order[last]!]!.at <= at + reach; last++) putIn(window, levels[order[last]!]!)
      for (; posts[order[first]!]!.at < at - reach; first++) window.splice(placeOf(window, levels[order[first]!]!), 1)
      const half = window.length >> 1
      medians[index] =
        window.length < LEAST_AROUND
          ? all
          : window.length % 2 === 1
            ? window[half]!
            : (window[half - 1]! + window[half]!) / 2
    }
  }
  return medians
}

/** The first place in an ordered list at which a value is not larger than what stands there. */
function placeOf(ordered: readonly number[], value: number): number {
  let [low, high] = [0, ordered.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (ordered[middle]! < value) low = middle + 1
    else high = middle
  }
  return low
}

const putIn = (ordered: number[], value: number) => void ordered.splice(placeOf(ordered, value), 0, value)
