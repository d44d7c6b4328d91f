import { addDays, dayFromNumber, dayNumber, daysBetween, type Day } from '../days/day'
import { Unreadable } from '../unreadable'

/** Whole days from the first to the last, both included. */
export interface Period {
  from: Day
  to: Day
}

/** Periods longer than this are refused: ten years of days. */
export const LONGEST_PERIOD_DAYS = 3660

/**
 * A period, checked.
 *
 * @throws Unreadable when a day does not exist, the end lies before the start, or the period is longer than ten years
 * @example period('2026-10-01', '2026-10-28')
 */
export function period(from: Day, to: Day): Period {
  const days = daysBetween(from, to) + 1
  if (days < 1) throw new Unreadable(`the period ends (${to}) before it begins (${from})`)
  if (days > LONGEST_PERIOD_DAYS) throw new Unreadable('a period can be ten years long at the most')
  return { from, to }
}

/** How many days a period has. */
export const lengthOf = ({ from, to }: Period): number => daysBetween(from, to) + 1

/** Whether a day lies in a period. */
export const includes = ({ from, to }: Period, day: Day): boolean => day >= from && day <= to

/** Every day of a period in order. */
export function eachDay({ from, to }: Period): Day[] {
  const first = dayNumber(from)
  return Array.from({ length: dayNumber(to) - first + 1 }, (_, index) => dayFromNumber(first + index))
}

/** The period of n days that ends on a day. */
export const daysEnding = (to: Day, days: number): Period => period(addDays(to, 1 - days), to)

/** The whole period moved by a number of days. */
export const shift = ({ from, to }: Period, days: number): Period => ({
  from: addDays(from, days),
  to: addDays(to, days),
})

/** The days that two periods share, or undefined when they share none. */
export function overlap(a: Period, b: Period): Period | undefined {
  const from = a.from > b.from ? a.from : b.from
  const to = a.to < b.to ? a.to : b.to
  return from <= to ? { from, to } : undefined
}
