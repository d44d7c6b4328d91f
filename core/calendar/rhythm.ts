import { addDays, daysBetween, type Day } from '../days/day'
import type { Period } from '../periods/period'
import { median } from '../statistics/median'

/** How many posts there were on a day, of one profile, network or format. */
export interface PostsOnDay {
  group: string
  day: Day
  posts: number
}

/** How often and how evenly one of them posts. */
export interface Rhythm {
  group: string
  /** Posts a week over 28 days, and over the 28 before. */
  perWeek: number
  before: number
  /** The longest run of days without a post, over a year or since the first one. Absent where there is none. */
  longest?: Period & { days: number }
  /** The last day with a post. */
  last: Day
  /** How many days have passed since then without one. */
  silentDays: number
}

const [WEEKS_DAYS, YEAR_DAYS] = [28, 364]

/**
 * How often each profile, network or format posts, and how long it was silent.
 *
 * @param days  the days with posts of a year up to `to`, in any order
 * @param to    the last complete day
 * @returns     those that have posted in that year, most first
 * @example     rhythmOf([{ group: 'Murmur', day: '2026-10-20', posts: 2 }], '2026-10-28')[0].silentDays // 8
 */
export function rhythmOf(days: readonly PostsOnDay[], to: Day): Rhythm[] {
  const groups = new Map<string, Map<Day, number>>()
  for (const { group, day, posts } of days) {
    if (day > to || daysBetween(day, to) >= YEAR_DAYS || posts <= 0) continue
    const own = groups.get(group) ?? new Map<Day, number>()
    groups.set(group, own.set(day, (own.get(day) ?? 0) + posts))
  }
  return [...groups]
    .map(([group, own]) => {
      const between = (first: number, last: number) =>
        [...own].reduce((sum, [day, posts]) => {
          const back = daysBetween(day, to)
          return back >= first && back < last ? sum + posts : sum
        }, 0)
      const posted = [...own.keys()].sort()
      const last = posted.at(-1)!
      const [longest] = silences(posted, { from: posted[0]!, to }, 1).sort(
        (a, b) => b.days - a.days || (a.from < b.from ? 1 : -1),
      )
      return {
        group,
        perWeek: (between(0, WEEKS_DAYS) / WEEKS_DAYS) * 7,
        before: (between(WEEKS_DAYS, 2 * WEEKS_DAYS) / WEEKS_DAYS) * 7,
        ...(longest && { longest }),
        last,
        silentDays: daysBetween(last, to),
      }
    })
    .sort((a, b) => b.perWeek - a.perWeek || a.group.localeCompare(b.group))
}

/**
 * The runs of days without a post.
 *
 * @param posted  days with posts, in any order
 * @param least   how many days a run has at the least
 * @example       silences(['2026-11-13', '2026-11-19'], { from: '2026-11-13', to: '2026-11-19' }, 2)
 *                // [{ from: '2026-11-14', to: '2026-11-18', days: 5 }]
 */
export function silences(posted: readonly Day[], { from, to }: Period, least: number): (Period & { days: number })[] {
  const inside = [...new Set(posted)].filter((day) => day >= from && day <= to).sort()
  const ends = [addDays(from, -1), ...inside, addDays(to, 1)]
  return ends.slice(1).flatMap((next, index) => {
    const first = addDays(ends[index]!, 1)
    const days = daysBetween(first, next)
    return days >= least ? [{ from: first, to: addDays(next, -1), days }] : []
  })
}

/** How many weeks before it a week is compared with. */
const USUAL_WEEKS = 12

/**
 * How many posts a week usually has: the median of the twelve weeks before it.
 *
 * @returns undefined where nothing is known that far back
 * @example usualOfWeek(days, '2026-10-26') // 15
 */
export function usualOfWeek(days: readonly PostsOnDay[], monday: Day): number | undefined {
  const from = addDays(monday, -7 * USUAL_WEEKS)
  if (!days.some(({ day }) => day < addDays(from, 7))) return undefined
  const weeks = Array.from({ length: USUAL_WEEKS }, () => 0)
  for (const { day, posts } of days)
    if (day >= from && day < monday) weeks[Math.floor(daysBetween(from, day) / 7)]! += posts
  return median(weeks)
}
