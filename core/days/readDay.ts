import { Unreadable } from '../unreadable'
import { detectDateOrder, readDate } from '../imports/readDate'
import { yearOf, type Day } from './day'

/**
 * The day that a person has typed: 28 Oct 2026, 28/10/2026, 2026-10-28, or 28 Oct, which is of this year.
 *
 * @param today  any day of this year
 * @throws       Unreadable with a sentence when it is no day, or could be two
 * @example      readDay('28 October', '2026-01-01') // '2026-10-28'
 */
export function readDay(text: string, today: Day): Day {
  const typed = text.trim()
  const whole = /^(\d{1,2}(st|nd|rd|th)? [A-Za-z]{3,}|[A-Za-z]{3,} \d{1,2}(st|nd|rd|th)?)\.?$/.test(typed)
    ? `${typed} ${yearOf(today)}`
    : typed
  const order = detectDateOrder([whole])
  const [first, second] = (/\d+\D(\d+)/.exec(whole) ? whole.split(/\D/) : []).map(Number)
  if (order === 'ambiguous' && first !== second)
    throw new Unreadable(`“${typed}” can be two days. Write the month as a word, such as 3 Apr ${yearOf(today)}.`)
  try {
    return readDate(whole, order === 'ambiguous' || order === 'none' ? 'day-month-year' : order)
  } catch {
    throw new Unreadable(`“${typed}” is no day. Write one such as 28 Oct ${yearOf(today)}.`)
  }
}
