import { addDays, dayFromNumber, dayNumber, weekday, type Day } from '../days/day'
import type { Period } from '../periods/period'
import { median } from '../statistics/median'
import { SMALL_BASE } from '../change/change'
import { modifiedZ } from './modifiedZ'

/**
 * How many days back a day is compared with, how many where a profile posts seldom, and how many of them must have
 * data.
 */
export const LOOK_BACK_DAYS = 56
export const SELDOM_LOOK_BACK_DAYS = 168
export const LEAST_DAYS = 28

/** Of days that are alike in how long ago the last post was, so many are needed to judge one of them. */
const LEAST_ALIKE = 8

/** A day, and how far it was from what it usually is. */
export interface JudgedDay {
  day: Day
  value: number
  /** What such a day usually brings. */
  usual: number
  /** Both the day and its usual are below 30: a small base, which is easily far from itself. */
  isSmall: boolean
  /** The modified z-score of what is left when the weekday (and the last post) is taken away. */
  score: number
}

/** How long ago the last post was, as far as it matters: the same day, the day before, two or three days, longer. */
type SinceThePost = 0 | 1 | 2 | 3

/**
 * Judges every day of a period against the days before it. A count is taken as its logarithm, ln(x + 1), so that a fall
 * to a third and a rise to three times are alike, and a zero is a low value and no hole; what can be below zero is
 * taken as it is. Each day is seen against the eight weeks that end with it: the median of its weekday is taken away
 * from every day, and the modified z-score of what is left tells. Where a profile posts on fewer than half of the days,
 * a day with a post is compared with days with a post, a day after one with days after one, over 24 weeks: its rhythm
 * is not unusual. A day with fewer than four weeks of data behind it, or with fewer than eight days like it, is not
 * judged.
 *
 * @param values  a value for each day that has one; days before the period are needed to judge its first days
 * @param posts   how many posts there were on a day, where that is known
 * @example       judgedDays(byDay, { from: '2026-10-01', to: '2026-10-28' }).filter(({ score }) => Math.abs(score) >
 *                                  UNUSUAL_ABOVE)
 */
export function judgedDays(
  values: ReadonlyMap<Day, number>,
  period: Period,
  posts?: ReadonlyMap<Day, number>,
): JudgedDay[] {
  const isSigned = [...values.values()].some((value) => value < 0)
  const scale = {
    up: isSigned ? (value: number) => value : Math.log1p,
    down: isSigned ? (value: number) => value : Math.expm1,
  }
  const [first, last] = [dayNumber(period.from), dayNumber(period.to)]
  const from = first - SELDOM_LOOK_BACK_DAYS
  const known = Array.from({ length: last - from + 1 }, (_, index): Known | undefined => {
    const day = dayFromNumber(from + index)
    const value = values.get(day)
    return value === undefined
      ? undefined
      : { value, scaled: scale.up(value), weekday: weekday(day), since: posts ? sinceThePost(posts, day) : 3 }
  })
  return Array.from({ length: last - first + 1 }, (_, index) => first + index).flatMap((number) => {
    const found = judge(
      known.slice(Math.max(0, number - from + 1 - SELDOM_LOOK_BACK_DAYS), number - from + 1),
      posts !== undefined,
    )
    if (!found) return []
    const value = known[number - from]!.value
    const usual = scale.down(found.usual)
    return [
      {
        day: dayFromNumber(number),
        value,
        usual,
        isSmall: Math.max(Math.abs(value), Math.abs(usual)) < SMALL_BASE,
        score: found.score,
      },
    ]
  })
}

interface Known {
  value: number
  scaled: number
  weekday: number
  since: SinceThePost
}

function sinceThePost(posts: ReadonlyMap<Day, number>, day: Day): SinceThePost {
  for (let back = 0; back <= 3; back++)
    if (posts.get(addDays(day, -back))) return back === 3 ? 2 : (back as SinceThePost)
  return 3
}

/** Judges the last of some days. */
function judge(days: readonly (Known | undefined)[], hasPosts: boolean): { usual: number; score: number } | undefined {
  const today = days.at(-1)
  if (!today) return undefined
  const near = present(days.slice(-LOOK_BACK_DAYS))
  if (near.length < LEAST_DAYS) return undefined
  const isSeldom = hasPosts && near.filter(({ since }) => since === 0).length < near.length / 2
  const known = isSeldom ? present(days.slice(-SELDOM_LOOK_BACK_DAYS)) : near
  const levels = [1, 2, 3, 4, 5, 6, 7].map(
    (number) => median(known.filter((each) => each.weekday === number).map(({ scaled }) => scaled)) ?? 0,
  )
  const level = (each: Known) => levels[each.weekday - 1]!
  const alike = isSeldom ? known.filter(({ since }) => since === today.since) : known
  if (isSeldom && alike.length < LEAST_ALIKE) return undefined
  const left = alike.map((each) => each.scaled - level(each))
  const rhythm = isSeldom ? median(left)! : 0
  return { usual: level(today) + rhythm, score: modifiedZ(left).at(-1)! }
}

const present = (days: readonly (Known | undefined)[]): Known[] => days.filter((each) => each !== undefined)
