import { DateTime } from 'luxon'
import { Unreadable } from '../unreadable'
import { steadyOffset } from '../days/steadyOffset'
import { readDate, type DateOrder } from './readDate'

const PARTS = /^(.+?)[T ]+(\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)? ?([AaPp][Mm])?(Z|[+-]\d{2}:?\d{2})?$/

/**
 * The instant that a cell of a file means: a date as `readDate` reads it, with a time of day. Without an offset it is
 * the time on the clocks of a zone.
 *
 * @param order  how numeric dates are to be read
 * @param zone   an IANA time zone, for times that say no offset
 * @throws       Unreadable when there is no time, or none that was on the clock
 * @example      readInstant('28/10/2026 09:15', 'day-month-year', 'Europe/London').toISOString() // '2026-10-28T09:15:00.000Z'
 */
export function readInstant(text: string, order: DateOrder, zone: string): Date {
  const found = PARTS.exec(text.trim())
  if (!found) {
    readDate(text, order)
    throw new Unreadable(`"${text.trim()}" says no time of day`)
  }
  const [, date, hours, minutes, seconds = '0', half, offset] = found
  const day = readDate(date!, order)
  const hour = half ? (Number(hours) % 12) + (half.toLowerCase() === 'pm' ? 12 : 0) : Number(hours)
  const clock = `${day}T${String(hour).padStart(2, '0')}:${minutes}:${seconds.padStart(2, '0')}`
  // on most days the clocks are not changed: then there is nothing to look up
  const at = offset || hour > 23 ? Number.NaN : Date.parse(`${clock}Z`)
  const steady = Number.isNaN(at) ? undefined : steadyOffset(at, zone)
  if (steady !== undefined) return new Date(at - steady)
  const instant = DateTime.fromISO(offset ? `${clock}${offset}` : clock, { zone: offset ? 'utc' : zone })
  // a time that the clocks leap over is moved by luxon, and was never on the clock
  const onClock = instant.toISO({ includeOffset: false, suppressMilliseconds: true })
  if (!instant.isValid || (!offset && onClock !== clock))
    throw new Unreadable(`"${text.trim()}" is no time that was on the clock`)
  return instant.toJSDate()
}
