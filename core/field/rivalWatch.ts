import { addDays, daysBetween, type Day } from '../days/day'
import { median, quantile } from '../statistics/median'
import { hashtagsIn } from '../tags/tagRule'

/** A post of a rival, as everybody can see it. */
export interface SeenPost {
  id: string
  profile: number
  day: Day
  text: string
  /** Reactions, comments and shares; absent where nobody can see them. */
  interactions?: number
}

/** A post that brought far more than is usual of its profile. */
export interface FarPost {
  post: string
  profile: number
  day: Day
  interactions: number
  /** The median of the posts of its profile in the year before. */
  usual: number
  /** Of how many posts. */
  posts: number
}

/** Nobody of an organisation has posted for longer than ever in the year before. */
export interface Silence {
  /** The last day with a post. */
  since: Day
  /** The day on which it could be said. */
  day: Day
  /** The longest pause of the year before, in days without a post. */
  longest: number
}

/** A hashtag that an organisation has begun to use. */
export interface NewHashtag {
  tag: string
  /** The day of the first post with it, and of the one by which it could be said. */
  from: Day
  day: Day
}

/** What is usual is told of so many days before. */
export const PAST_DAYS = 364
/** Of fewer posts than these no usual is told, and after fewer days with a post no pause is long. */
const LEAST_POSTS = 20
/** A post after fewer days than these is still gathering, and is no measure for others. */
const YOUNG_DAYS = 7
/** A post is far above usual beyond the outer quarter by so many times the middle half, and at so many times the median. */
const FENCE = 1.5
const LEAST_TIMES = 2
/** A pause is a silence when it is so many times as long as the longest before, and so many days at least. */
const LONGER = 1.5
const LEAST_PAUSE = 7
/** A hashtag is new when it stands in so many posts of so many days, and in none of so many days before. */
const LEAST_USES = 3
const NEW_DAYS = 28
const LEAST_PAST_DAYS = 182

/**
 * The posts between two days that brought far more than is usual of their profile: above the upper inner fence of
 * Tukey (1977), on the scale of logarithms, over the posts of the year before each that gathered for a week, and twice
 * their median at least. What a young post has by now can only grow, so it is said as soon as it is true.
 *
 * @param posts  of any number of profiles, in any order, with the year before
 * @param to     the last day; posts after it are not known
 * @example      farPosts(posts, '2026-10-15', '2026-10-28') // [{ post: '17', interactions: 412, usual: 61, posts: 140, … }]
 */
export function farPosts(posts: readonly SeenPost[], from: Day, to: Day): FarPost[] {
  const ofProfile = new Map<number, SeenPost[]>()
  for (const post of posts) {
    const known = ofProfile.get(post.profile)
    if (known) known.push(post)
    else ofProfile.set(post.profile, [post])
  }
  return posts.flatMap((post): FarPost[] => {
    const { id, profile, day, interactions } = post
    if (day < from || day > to || interactions === undefined) return []
    const [first, ripe] = [addDays(day, -PAST_DAYS), addDays(to, -YOUNG_DAYS)]
    const past = ofProfile
      .get(profile)!
      .flatMap((other) =>
        other.day >= first && other.day < day && other.day <= ripe && other.interactions !== undefined
          ? [other.interactions]
          : [],
      )
    if (past.length < LEAST_POSTS) return []
    const logs = past.map(Math.log1p)
    const [lower, upper] = [quantile(logs, 0.25)!, quantile(logs, 0.75)!]
    const usual = median(past)!
    const isFar = Math.log1p(interactions) > upper + FENCE * (upper - lower) && interactions >= LEAST_TIMES * usual
    return isFar ? [{ post: id, profile, day, interactions, usual, posts: past.length }] : []
  })
}

/**
 * Whether an organisation is silent: its pause since the last post, on whichever profile, is at least half as long again
 * as the longest of the year before it, and a week at least. Of somebody who posts by chance alone at a steady pace that
 * would be said once in eight years or less.
 *
 * @param posts  of all its profiles, in any order, with the year before
 * @param to     the last day of which all its profiles are known
 * @returns      undefined where it is not, or where fewer than 20 days of that year have a post
 * @example      silenceIn(posts, '2026-10-28') // { since: '2026-10-01', day: '2026-10-17', longest: 10 }
 */
export function silenceIn(posts: readonly SeenPost[], to: Day): Silence | undefined {
  const days = [...new Set(posts.flatMap(({ day }) => (day <= to ? [day] : [])))].sort()
  const since = days.at(-1)
  if (since === undefined) return undefined
  const past = days.filter((day) => day >= addDays(since, -PAST_DAYS))
  if (past.length < LEAST_POSTS) return undefined
  const longest = Math.max(...past.slice(1).map((day, index) => daysBetween(past[index]!, day) - 1))
  const least = Math.max(LEAST_PAUSE, Math.ceil(LONGER * longest))
  const day = addDays(since, least)
  return day <= to ? { since, day, longest } : undefined
}

/**
 * The hashtags that an organisation has begun to use: in at least three posts of four weeks, and in none of the year
 * before those, of which half is known at least and has 20 posts.
 *
 * @param posts  of all its profiles, in any order, with the year before
 * @param to     the last day of the four weeks
 * @example      newHashtags(posts, '2026-10-28') // [{ tag: 'cometclub', from: '2026-10-11', day: '2026-10-19' }]
 */
export function newHashtags(posts: readonly SeenPost[], to: Day): NewHashtag[] {
  const from = addDays(to, 1 - NEW_DAYS)
  const known = posts.filter(({ day }) => day >= addDays(from, -PAST_DAYS) && day <= to)
  const past = known.filter(({ day }) => day < from)
  const first = past.reduce((least, { day }) => (day < least ? day : least), from)
  if (past.length < LEAST_POSTS || daysBetween(first, from) < LEAST_PAST_DAYS) return []
  const old = new Set(past.flatMap(({ text }) => hashtagsIn(text)))
  const days = new Map<string, Day[]>()
  for (const { day, text } of known)
    if (day >= from)
      for (const tag of hashtagsIn(text)) if (!old.has(tag)) days.set(tag, [...(days.get(tag) ?? []), day])
  return [...days].flatMap(([tag, each]) => {
    const sorted = each.sort()
    return sorted.length >= LEAST_USES ? [{ tag, from: sorted[0]!, day: sorted[LEAST_USES - 1]! }] : []
  })
}
