import { addDays, daysBetween, type Day } from '../days/day'
import type { Period } from '../periods/period'
import { totalsOf, type CountedPost, type PostTotals } from './tagTotals'

/** What an occasion has brought: its posts of some days around it. */
export interface Occasion extends PostTotals {
  on: Day
  period: Period
  /**
   * What the posts up to each of its days have brought, from the first day of the window on: as many days as are over.
   */
  soFar: { day: number; posts: number; interactions: number }[]
}

/**
 * An occasion that comes again, such as a festival: what was posted in some days around it has brought, day by day of
 * publication, so that this year's can be laid over last year's.
 *
 * @param posts   those of the occasion; what lies outside of its days is left out
 * @param before  how many days before it count, and how many after it
 * @param last    the last day that is over: an occasion that still runs ends there
 * @example       occasionOf(posts, '2026-10-21', { before: 30, after: 7, last: '2026-10-28' }).soFar.at(-1)
 */
export function occasionOf(
  posts: readonly (CountedPost & { day: Day })[],
  on: Day,
  { before, after, last }: { before: number; after: number; last: Day },
): Occasion {
  const [from, end] = [addDays(on, -before), addDays(on, after)]
  const to = end < last ? end : last
  const own = posts.filter(({ day }) => day >= from && day <= to)
  const length = to < from ? 0 : daysBetween(from, to) + 1
  let [count, interactions] = [0, 0]
  const soFar = Array.from({ length }, (_, index) => {
    const day = addDays(from, index)
    for (const post of own) {
      if (post.day !== day) continue
      count++
      interactions += post.interactions ?? 0
    }
    return { day: index - before, posts: count, interactions }
  })
  return { ...totalsOf(own), on, period: { from, to: end }, soFar }
}
