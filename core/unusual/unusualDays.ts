import { addDays, weekday, type Day } from '../days/day'
import { eachDay, includes, type Period } from '../periods/period'
import { median } from '../statistics/median'
import { SMALL_BASE } from '../change/change'
import { modifiedZ, UNUSUAL_ABOVE } from './modifiedZ'

/** How many days back a day is compared with, and how many of them must have data. */
export const LOOK_BACK_DAYS = 56
export const LEAST_DAYS = 28

/** A day on which a metric was far from what that weekday usually brings. */
export interface UnusualDay {
  day: Day
  value: number
  /** What the weekday usually brings: the median of that weekday over the last eight weeks. */
  usual: number
  /** Both the day and its usual are below 30: a small base, which is easily far from itself. */
  isSmall: boolean
  /** The modified z-score of what is left when the weekday is taken away. */
  score: number
}

/**
 * The unusual days of a period. Each day is seen against the eight weeks that end with it: the median of its weekday is taken away from every
 * day, and the modified z-score of what is left tells. A day with fewer than four weeks of data behind it is not judged.
 *
 * @param values  a value for each day that has one; days before the period are needed to judge its first days
 * @example       unusualDays(byDay, { from: '2026-10-01', to: '2026-10-28' })
 */
export function unusualDays(values: ReadonlyMap<Day, number>, period: Period): UnusualDay[] {
  return eachDay(period).flatMap((day) => judge(values, day) ?? [])
}

function judge(values: ReadonlyMap<Day, number>, day: Day): UnusualDay | undefined {
  const value = values.get(day)
  if (value === undefined) return undefined
  const known = eachDay({ from: addDays(day, 1 - LOOK_BACK_DAYS), to: day }).flatMap((earlier) => {
    const found = values.get(earlier)
    return found === undefined ? [] : [{ day: earlier, value: found, weekday: weekday(earlier) }]
  })
  if (known.length < LEAST_DAYS) return undefined
  const usual = new Map([1, 2, 3, 4, 5, 6, 7].map((number) => [number, median(known.filter((each) => each.weekday === number).map((each) => each.value)) ?? 0]))
  const score = modifiedZ(known.map((each) => each.value - usual.get(each.weekday)!)).at(-1)!
  const expected = usual.get(weekday(day))!
  return Math.abs(score) > UNUSUAL_ABOVE ? { day, value, usual: expected, isSmall: Math.max(Math.abs(value), Math.abs(expected)) < SMALL_BASE, score } : undefined
}

/** Whether a day lies within one of some stretches: a day with a note counts as explained. */
export const isExplained = (day: Day, notes: readonly Period[]): boolean => notes.some((note) => includes(note, day))
