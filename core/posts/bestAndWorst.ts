import { median } from '../statistics/median'
import { LEAST_POSTS } from '../why/carryingPosts'
import { othersMedians, othersOf } from './othersMedians'

/** By what posts can be ranked. */
export const POST_FIGURES = ['interactions', 'times', 'impressions', 'rate'] as const
export type PostFigure = (typeof POST_FIGURES)[number]

/** From how many days at the least a profile's usual is taken, up to the end of the period. */
export const USUAL_DAYS = 90

/** A post, as far as it is ranked. */
export interface RankablePost {
  id: string
  profile: number
  impressions: number | null
  interactions: number | null
  /** Interactions for each impression with their interval. */
  rate: { value: number; low: number; high: number } | null
}

/** A post with what its profile's posts usually bring. */
export type RankedPost<P extends RankablePost> = P & {
  /** The median interactions of the profile's other posts; absent with fewer than five. */
  usual?: number
  /** Its interactions as a multiple of that. */
  times?: number
}

export interface BestAndWorst<P extends RankablePost> {
  /** The best first. */
  best: RankedPost<P>[]
  /** The worst first. */
  worst: RankedPost<P>[]
  /** How many posts were ranked, and how many could not be, because their figure is not known. */
  ranked: number
  unranked: number
  /** The figure of every ranked post, the smallest first. */
  values: number[]
}

/**
 * The best and the worst posts by a figure. A rate is ranked by the near end of its interval: the best by the lower, the
 * worst by the upper end, so that a post with few impressions is neither by luck. No post is both; with fewer posts than
 * there are places the better half is best.
 *
 * @param posts  those to rank
 * @param past   those from which a profile's usual is taken: of the same profiles, over a longer time
 * @param many   how many of each, at the most
 * @example      bestAndWorst(october, lastNinetyDays, 'interactions', 3).best[0] // { id: '7', interactions: 812, … }
 */
export function bestAndWorst<P extends RankablePost>(
  posts: readonly P[],
  past: readonly RankablePost[],
  by: PostFigure,
  many: number,
): BestAndWorst<P> {
  const all = withUsual(posts, past)
  const ranked = all.filter((post) => figureOfPost(post, by) !== undefined)
  const down = sortedBy(ranked, (post) => -(by === 'rate' ? post.rate!.low : figureOfPost(post, by)!))
  const best = down.slice(0, Math.min(many, Math.ceil(ranked.length / 2)))
  const taken = new Set(best.map(keyOf))
  const up = sortedBy(
    ranked.filter((post) => !taken.has(keyOf(post))),
    (post) => (by === 'rate' ? post.rate!.high : figureOfPost(post, by)!),
  )
  return {
    best,
    worst: up.slice(0, many),
    ranked: ranked.length,
    unranked: all.length - ranked.length,
    values: ranked.map((post) => figureOfPost(post, by)!).sort((a, b) => a - b),
  }
}

/** Posts with what is usual for their profiles, which each of them stands beside. */
export function withUsual<P extends RankablePost>(posts: readonly P[], past: readonly RankablePost[]): RankedPost<P>[] {
  const usualOf = usualByProfile(past)
  return posts.map((post): RankedPost<P> => {
    const usual = usualOf(post)
    return {
      ...post,
      ...(usual !== undefined && { usual }),
      ...(usual !== undefined && usual > 0 && post.interactions !== null && { times: post.interactions / usual }),
    }
  })
}

/** What a post is ranked by, where it is known. */
export const figureOfPost = (post: RankedPost<RankablePost>, by: PostFigure): number | undefined =>
  by === 'times' ? post.times : by === 'rate' ? post.rate?.value : (post[by] ?? undefined)

const keyOf = ({ profile, id }: RankablePost): string => `${profile} ${id}`

/** Of two that are the same the one with more interactions comes first, so that an order is always the same. */
const sortedBy = <P extends RankablePost>(posts: readonly P[], key: (post: P) => number): P[] =>
  [...posts].sort(
    (a, b) => key(a) - key(b) || (b.interactions ?? 0) - (a.interactions ?? 0) || (keyOf(a) < keyOf(b) ? -1 : 1),
  )

/** What the other posts of a post's profile usually bring; every profile is gone through once. */
function usualByProfile(past: readonly RankablePost[]): (post: RankablePost) => number | undefined {
  const byProfile = new Map<number, Map<string, number>>()
  for (const { profile, id, interactions } of past) {
    if (interactions === null) continue
    const own = byProfile.get(profile)
    if (own) own.set(id, interactions)
    else byProfile.set(profile, new Map([[id, interactions]]))
  }
  const found = new Map(
    [...byProfile].map(([profile, own]) => {
      const values = [...own.values()]
      const all = values.length >= LEAST_POSTS ? median(values) : undefined
      return [profile, { own, all, others: othersMedians(values) }]
    }),
  )
  return ({ profile, id }) => {
    const known = found.get(profile)
    const value = known?.own.get(id)
    return value === undefined ? known?.all : known?.others && othersOf(value, known.others)
  }
}
