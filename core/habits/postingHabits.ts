import { rhythmOf, type Rhythm } from '../calendar/rhythm'
import { addDays, daysBetween, weekday, type Day } from '../days/day'
import type { Period } from '../periods/period'
import { hashtagsIn } from '../tags/tagRule'
import { besideProfile, withoutFormats, type RespondedPost } from '../times/besideUsual'
import { WEEKDAYS } from '../times/slots'
import { LEAST_POSTS } from '../why/carryingPosts'
import { cornersOf, type Corner } from './corners'
import type { CornerKind, TermKind } from './habitKinds'
import { formatHabits, type FormatHabit } from './formatHabits'
import { onlyOf, termHabits, type TermHabit } from './termHabits'
import { timesUsual, type TimesUsual } from './timesUsual'
import { everyWordIn, wordsIn } from './wordsIn'

/** How texts are read: the terms that say something, and every one, which can be looked at by itself. */
const READ: Readonly<Record<TermKind, Record<'telling' | 'every', (text: string) => string[]>>> = {
  hashtags: { telling: hashtagsIn, every: hashtagsIn },
  words: { telling: wordsIn, every: everyWordIn },
}

/** A post of the field by what everybody can see of it. */
export interface HabitPost {
  /** 0 is the client itself. */
  member: number
  profile: number
  network: string
  format: string
  text: string
  /** When it was published, in milliseconds since 1970 UTC, and on which of the client's days. */
  at: number
  day: Day
  /** Absent where no network says it, or the post is still gathering. */
  interactions?: number
}

/** What is asked of the habits of a field. */
export interface HabitsAsked {
  members: readonly number[]
  period: Period
  terms: TermKind
  /** One term that is looked at by itself; none where it is empty. */
  term: string
  corners: CornerKind
}

/** How often and on what days a member posts, over a year. */
export interface MemberRhythm {
  member: number
  posts: number
  /** Posts from Monday to Sunday. */
  weekdays: number[]
  rhythm: Rhythm
}

/** One term by itself, over a year. */
export interface TermLookedAt {
  term: string
  posts: number
  members: { member: number; posts: number; first: Day; times?: TimesUsual }[]
  /** Posts with it in each of the last 52 weeks, the earliest first. */
  weeks: { from: Day; posts: number }[]
}

export interface Habits {
  /** Posts of the period, and those of them of which it is known how they did. */
  posts: number
  judged: number
  rhythm: MemberRhythm[]
  formats: FormatHabit[]
  /** The terms that are used most, and any other that stands out; of how many there are. */
  terms: TermHabit[]
  allTerms: number
  only: { member: number; terms: TermHabit[]; all: number }[]
  term?: TermLookedAt
  /** Those in which somebody posts, and how many there are in which nobody does. */
  corners: Corner[]
  emptyCorners: number
}

export const HABIT_DAYS = 364
const [MOST_TERMS, MOST_ONLY, LEAST_ONLY, MOST_CORNERS] = [60, 8, 3, 60]

/**
 * What the members of a field post: how often and when, in what formats, with what hashtags and words, and where rivals
 * are quiet. Formats and terms are of the period; rhythm, corners and a single term of the 52 weeks up to its end. What
 * is usual of a profile is taken from all its posts that are given; formats, and corners of formats, are judged beside
 * it, everything else beside it and what the format does.
 *
 * @param posts  of the members, from 52 weeks before the end of the period, or its beginning where that is earlier; those
 *               of the 45 days before and after belong to what is usual
 * @example      habitsOf(posts, { members: [0, 7], period, terms: 'hashtags', term: '', corners: 'weekday' }).terms[0].term
 */
export function habitsOf(posts: readonly HabitPost[], asked: HabitsAsked): Habits {
  const { beside, rest } = judged(posts)
  const from = addDays(asked.period.to, 1 - HABIT_DAYS)
  const indices = posts.map((_, index) => index)
  const inPeriod = indices.filter(
    (index) => posts[index]!.day >= asked.period.from && posts[index]!.day <= asked.period.to,
  )
  const inYear = indices.filter((index) => posts[index]!.day >= from && posts[index]!.day <= asked.period.to)
  const { telling } = READ[asked.terms]
  const terms = termHabits(
    inPeriod.map((index) => ({ member: posts[index]!.member, terms: telling(posts[index]!.text), rest: rest[index] })),
  )
  // where formats part the corners, what a format does is told and not taken away
  const corners = cornersIn(posts, inYear, asked.corners.startsWith('format') ? beside : rest, asked.corners)
  const only = onlyOf(terms, LEAST_ONLY)
  return {
    posts: inPeriod.length,
    judged: inPeriod.filter((index) => rest[index] !== undefined).length,
    rhythm: rhythmIn(
      inYear.map((index) => posts[index]!),
      asked,
    ),
    formats: formatHabits(
      inPeriod.map((index) => {
        const { member, format } = posts[index]!
        return { member, format, rest: beside[index] }
      }),
      asked.members,
    ),
    terms: terms.filter(({ stands }, index) => index < MOST_TERMS || stands !== undefined),
    allTerms: terms.length,
    only: asked.members.flatMap((member) => {
      const own = only.get(member)
      return own ? { member, terms: own.slice(0, MOST_ONLY), all: own.length } : []
    }),
    ...(asked.term !== '' && { term: lookedAt(posts, inYear, rest, asked, from) }),
    corners: corners.filter(({ rivals, own }) => rivals + own > 0).slice(0, MOST_CORNERS),
    emptyCorners: corners.filter(({ rivals, own }) => rivals + own === 0).length,
  }
}

/** How far each post was from usual, with what its format does and without; absent where that is not known. */
function judged(posts: readonly HabitPost[]): Record<'beside' | 'rest', (number | undefined)[]> {
  const beside = new Array<number | undefined>(posts.length)
  const rest = new Array<number | undefined>(posts.length)
  const indices: number[] = []
  const responded: RespondedPost[] = []
  const known = new Map<number, number>()
  for (const { profile, interactions } of posts)
    if (interactions !== undefined) known.set(profile, (known.get(profile) ?? 0) + 1)
  posts.forEach(({ at, profile, format, interactions }, index) => {
    // a few posts have no usual but themselves
    if (interactions === undefined || known.get(profile)! < LEAST_POSTS) return
    indices.push(index)
    responded.push({ at, profile, format, response: interactions })
  })
  const besideThem = besideProfile(responded)
  const without = withoutFormats(responded, besideThem)
  indices.forEach((index, place) => {
    beside[index] = besideThem[place]!
    rest[index] = without[place]!
  })
  return { beside, rest }
}

function rhythmIn(posts: readonly HabitPost[], { members, period }: HabitsAsked): MemberRhythm[] {
  const days = new Map<number, Map<Day, number>>(members.map((member) => [member, new Map()]))
  for (const { member, day } of posts) {
    const own = days.get(member)!
    own.set(day, (own.get(day) ?? 0) + 1)
  }
  const rhythms = rhythmOf(
    [...days].flatMap(([member, own]) =>
      [...own].map(([day, count]) => ({ group: String(member), day, posts: count })),
    ),
    period.to,
  )
  return members.flatMap((member) => {
    const rhythm = rhythms.find(({ group }) => group === String(member))
    if (!rhythm) return []
    const weekdays = WEEKDAYS.map(() => 0)
    for (const [day, count] of days.get(member)!) weekdays[weekday(day) - 1]! += count
    return { member, posts: weekdays.reduce((sum, count) => sum + count, 0), weekdays, rhythm }
  })
}

/** The places of each network: for hashtags those that more than one member uses, because one's own name is no subject. */
function cornersIn(
  posts: readonly HabitPost[],
  inYear: readonly number[],
  rest: readonly (number | undefined)[],
  kind: CornerKind,
): Corner[] {
  const dayOf = ({ day }: HabitPost) => WEEKDAYS[weekday(day) - 1]!
  const placesAt = (post: HabitPost): string[] =>
    kind === 'weekday'
      ? [dayOf(post)]
      : kind === 'format'
        ? [post.format]
        : kind === 'format-weekday'
          ? [`${post.format}, ${dayOf(post)}`]
          : hashtagsIn(post.text)
  const users = new Map<string, Map<string, Set<number>>>()
  const formats = new Map<string, Set<string>>()
  for (const index of inYear) {
    const post = posts[index]!
    formats.set(post.network, (formats.get(post.network) ?? new Set<string>()).add(post.format))
    const places = users.get(post.network) ?? new Map<string, Set<number>>()
    for (const place of placesAt(post)) places.set(place, (places.get(place) ?? new Set<number>()).add(post.member))
    users.set(post.network, places)
  }
  const placesOf = new Map(
    [...users].map(([network, places]): [string, string[]] => {
      if (kind === 'weekday') return [network, [...WEEKDAYS]]
      if (kind === 'format-weekday')
        return [network, [...formats.get(network)!].flatMap((format) => WEEKDAYS.map((day) => `${format}, ${day}`))]
      if (kind === 'format') return [network, [...formats.get(network)!]]
      return [network, [...places].filter(([, members]) => members.size > 1).map(([place]) => place)]
    }),
  )
  return cornersOf(
    inYear.map((index) => {
      const post = posts[index]!
      return { network: post.network, places: placesAt(post), isRival: post.member !== 0, rest: rest[index] }
    }),
    placesOf,
  )
}

function lookedAt(
  posts: readonly HabitPost[],
  inYear: readonly number[],
  rest: readonly (number | undefined)[],
  { term, terms, members, period }: HabitsAsked,
  from: Day,
): TermLookedAt {
  const { every } = READ[terms]
  const found = inYear.filter((index) => every(posts[index]!.text).includes(term))
  const weeks = Array.from({ length: HABIT_DAYS / 7 }, (_, week) => ({ from: addDays(from, 7 * week), posts: 0 }))
  for (const index of found) weeks[Math.floor(daysBetween(from, posts[index]!.day) / 7)]!.posts++
  return {
    term,
    posts: found.length,
    members: members.flatMap((member) => {
      const own = found.filter((index) => posts[index]!.member === member)
      const times = timesUsual(own.flatMap((index) => rest[index] ?? []))
      return own.length > 0
        ? {
            member,
            posts: own.length,
            first: own.map((index) => posts[index]!.day).reduce((first, day) => (day < first ? day : first), period.to),
            ...(times && { times }),
          }
        : []
    }),
    weeks,
  }
}
