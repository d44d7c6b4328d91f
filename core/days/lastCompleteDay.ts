import { DateTime } from 'luxon'
import { addDays, dayFromNumber, type Day } from './day'
import { steadyOffset } from './steadyOffset'

const DAY_MS = 86_400_000

/**
 * The newest day that is over in a time zone. The running day is never part of a figure.
 *
 * @param now   the clock, in milliseconds since 1970 UTC
 * @param zone  an IANA time zone
 * @throws      RangeError when the zone is unknown
 * @example     lastCompleteDay(Date.parse('2026-10-29T06:00:00Z'), 'Europe/London') // '2026-10-28'
 */
export function lastCompleteDay(now: number, zone: string): Day {
  return addDays(dayAt(now, zone), -1)
}

/**
 * The calendar day that it is in a time zone.
 *
 * @param now   milliseconds since 1970 UTC
 * @param zone  an IANA time zone
 * @throws      RangeError when the zone is unknown
 * @example     dayAt(Date.parse('2026-03-29T23:30:00Z'), 'Europe/London') // '2026-03-30', summer time
 */
export function dayAt(now: number, zone: string): Day {
  const offset = steadyOffset(now, zone)
  if (offset !== undefined) return dayFromNumber(Math.floor((now + offset) / DAY_MS))
  const local = DateTime.fromMillis(now, { zone })
  if (!local.isValid) throw new RangeError(`${now} is no time`)
  return local.toISODate()
}
