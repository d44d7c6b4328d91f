import { addDays, dayNumber, dayOf, weekday, yearOf, type Day } from '../days/day'
import type { Period } from './period'
import { Unreadable } from '../unreadable'

/**
 * A week as ISO 8601 numbers them: Monday to Sunday, week 1 holds the year's first Thursday.
 *
 * @throws Unreadable when the year does not have that week (a year has 52 or 53)
 * @example isoWeek(2026, 53) // { from: '2026-12-28', to: '2027-01-03' }
 */
export function isoWeek(year: number, week: number): Period {
  const fourth = dayOf(year, 1, 4)
  const from = addDays(fourth, 1 - weekday(fourth) + 7 * (week - 1))
  if (week < 1 || yearOf(addDays(from, 3)) !== year) throw new Unreadable(`${year} has no week ${week}.`)
  return { from, to: addDays(from, 6) }
}

/**
 * Whether a year has 53 weeks: it does when its 28 December lies in one.
 *
 * @example hasWeek53(2026) // true
 */
export const hasWeek53 = (year: number): boolean => isoWeek(year, 52).to < dayOf(year, 12, 28)

/**
 * The ISO 8601 week that a day lies in, as an address has it; its year is the one of its Thursday.
 *
 * @example isoWeekOf('2027-01-03') // '2026-w53'
 */
export function isoWeekOf(day: Day): string {
  const thursday = addDays(day, 4 - weekday(day))
  const year = yearOf(thursday)
  return `${year}-w${1 + Math.floor((dayNumber(thursday) - dayNumber(dayOf(year, 1, 1))) / 7)}`
}
