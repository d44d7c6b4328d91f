import { DateTime } from 'luxon'
import { Unreadable } from '../unreadable'

/**
 * The instant at which the clocks of a zone say something. A time that comes twice is its first; one that the clocks
 * leap over is refused.
 *
 * @param local  such as “2026-11-30T18:00”
 * @param zone   an IANA time zone
 * @returns      milliseconds since 1970 UTC
 * @throws       Unreadable when it is no time, or none of that day
 * @example zonedInstant('2026-07-01T12:00', 'Europe/London') // Date.parse('2026-07-01T11:00Z')
 */
export function zonedInstant(local: string, zone: string): number {
  const time = DateTime.fromISO(local, { zone })
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(local) || !time.isValid)
    throw new Unreadable('Write a day and a time, as 2026-11-30 18:00.')
  if (time.toFormat("yyyy-MM-dd'T'HH:mm") !== local)
    throw new Unreadable(`The clocks leap over ${local.slice(11)} on ${local.slice(0, 10)}. Choose another time.`)
  return Math.min(...time.getPossibleOffsets().map((each) => each.toMillis()))
}

/**
 * The instant of a time that was not chosen for this very day, such as that of a weekly slot: one that the clocks leap
 * over is taken by the offset before the gap, and so falls after it by as much (RFC 5545, 3.3.5).
 *
 * @throws  Unreadable when it is no time
 * @example slotInstant('2026-03-29T01:30', 'Europe/London') // Date.parse('2026-03-29T01:30Z'): 02:30 on the clocks
 */
export function slotInstant(local: string, zone: string): number {
  const time = DateTime.fromISO(local, { zone })
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(local) || !time.isValid)
    throw new Unreadable('Write a day and a time, as 2026-11-30 18:00.')
  return Math.min(...time.getPossibleOffsets().map((each) => each.toMillis()), time.toMillis())
}

/**
 * What the clocks of a zone say at an instant, to the minute.
 *
 * @example zonedTime(Date.parse('2026-07-01T11:00Z'), 'Europe/London') // '2026-07-01T12:00'
 */
export const zonedTime = (at: number, zone: string): string =>
  DateTime.fromMillis(at, { zone }).toFormat("yyyy-MM-dd'T'HH:mm")

/**
 * A time some days away, at the same time of the clocks.
 *
 * @example movedByDays(Date.parse('2026-10-24T17:00Z'), 1, 'Europe/London') // Date.parse('2026-10-25T18:00Z')
 */
export const movedByDays = (at: number, days: number, zone: string): number =>
  DateTime.fromMillis(at, { zone }).plus({ days }).toMillis()
