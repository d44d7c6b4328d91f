import { keep } from '../keep'
import { Unreadable } from '../unreadable'

/** A calendar day without a time or a zone, as ISO 8601 writes it: `2026-10-28`. */
export type Day = string

const DAY_MS = 86_400_000
/** Days that were read and written before: the same few hundred come again and again. */
const numbers = new Map<Day, number>()
const texts = new Map<number, Day>()
const MOST_KEPT = 20_000

const PATTERN = /^\d{4}-\d{2}-\d{2}$/

/**
 * The number of a day, counted from 1 January 1970 (day 0), so that days can be subtracted and used as indices.
 *
 * @throws Unreadable when the text is not a day that exists
 * @example dayNumber('1970-01-02') // 1
 */
export function dayNumber(day: Day): number {
  return numbers.get(day) ?? keep(numbers, day, readNumber(day), MOST_KEPT)
}

function readNumber(day: Day): number {
  if (!PATTERN.test(day)) throw new Unreadable(`"${day}" is not a day in the form 2026-10-28`)
  const year = Number(day.slice(0, 4))
  const month = Number(day.slice(5, 7))
  const dayOfMonth = Number(day.slice(8))
  if (month < 1 || month > 12 || dayOfMonth < 1 || dayOfMonth > daysInMonth(year, month))
    throw new Unreadable(`there is no ${day}`)
  return Date.UTC(year, month - 1, dayOfMonth) / DAY_MS
}

const LENGTHS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0
const daysInMonth = (year: number, month: number): number => (month === 2 && isLeap(year) ? 29 : LENGTHS[month - 1]!)

/**
 * The day with a number, the inverse of `dayNumber`.
 *
 * @example dayFromNumber(1) // '1970-01-02'
 */
export function dayFromNumber(number: number): Day {
  return texts.get(number) ?? keep(texts, number, new Date(number * DAY_MS).toISOString().slice(0, 10), MOST_KEPT)
}

/** Whether a text is a day that exists, in the form 2026-10-28. */
export function isDay(text: string): boolean {
  try {
    dayNumber(text)
    return true
  } catch {
    return false
  }
}

/**
 * The day that lies a number of days later (earlier when negative).
 *
 * @example addDays('2028-02-28', 1) // '2028-02-29'
 */
export function addDays(day: Day, days: number): Day {
  return dayFromNumber(dayNumber(day) + days)
}

/**
 * How many days lie from one day to another.
 *
 * @returns days, negative when `to` is earlier
 * @example daysBetween('2026-10-01', '2026-10-28') // 27
 */
export function daysBetween(from: Day, to: Day): number {
  return dayNumber(to) - dayNumber(from)
}

/**
 * The day of the week as ISO 8601 numbers it.
 *
 * @returns 1 for Monday to 7 for Sunday
 * @example weekday('2026-10-28') // 3, a Wednesday
 */
export function weekday(day: Day): number {
  return ((((dayNumber(day) + 3) % 7) + 7) % 7) + 1
}

/**
 * The same date in another year. 29 February has no counterpart in a year that is not a leap year.
 *
 * @returns the day, or undefined when that year does not have it
 * @example sameDateInYear('2028-02-29', 2027) // undefined
 */
export function sameDateInYear(day: Day, year: number): Day | undefined {
  const candidate = `${String(year).padStart(4, '0')}${day.slice(4)}`
  return isDay(candidate) ? candidate : undefined
}

/** The year of a day. */
export const yearOf = (day: Day): number => Number(day.slice(0, 4))

/** The month of a day, 1 to 12. */
export const monthOf = (day: Day): number => Number(day.slice(5, 7))

/** A day from its parts; the month may lie outside 1 to 12 and is carried over into the year. */
export function dayOf(year: number, month: number, dayOfMonth: number): Day {
  return new Date(Date.UTC(year, month - 1, dayOfMonth)).toISOString().slice(0, 10)
}

/**
 * The last day of a month.
 *
 * @example lastDayOfMonth(2028, 2) // '2028-02-29'
 */
export function lastDayOfMonth(year: number, month: number): Day {
  return dayOf(year, month + 1, 0)
}
