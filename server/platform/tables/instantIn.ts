import { DateTime } from 'luxon'

/**
 * An instant as ISO 8601 with the offset that a time zone has then.
 *
 * @example instantIn(new Date('2026-10-01T12:00:00Z'), 'Atlantic/Faroe') // '2026-10-01T13:00:00+01:00'
 */
export const instantIn = (at: Date, zone: string): string =>
  DateTime.fromJSDate(at, { zone }).toISO({ suppressMilliseconds: true })!
