import { DateTime, IANAZone } from 'luxon'
import { dayNumber, type Day } from '../days/day'

/** The hours of a week: slot 0 is Monday from 00:00, slot 167 is Sunday from 23:00. */
export const SLOTS = 168
const HOUR_MS = 3_600_000
const DAY_MS = 24 * HOUR_MS
/** Day 0 of 1970 was a Thursday. */
const FIRST_WEEKDAY = 3

export const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const

/**
 * A slot in words.
 *
 * @example slotName(92) // 'Thursday 20:00'
 */
export const slotName = (slot: number): string => `${WEEKDAYS[Math.floor(slot / 24)]!} ${hourName(slot % 24)}`

/** @example hourName(9) // '09:00' */
export const hourName = (hour: number): string => `${String(hour).padStart(2, '0')}:00`

/**
 * How many hours lie between two slots, the short way around the week.
 *
 * @example slotsApart(0, 167) // 1
 */
export function slotsApart(one: number, other: number): number {
  const apart = Math.abs(one - other) % SLOTS
  return Math.min(apart, SLOTS - apart)
}

/**
 * What the clocks of a zone say at an instant, as a number that counts like milliseconds since 1970: the instant with
 * the zone's offset. Each day's offset is looked up once; a day on which the clocks change is read instant by instant.
 *
 * @param zone  an IANA time zone
 * @returns     a function of milliseconds since 1970 UTC
 * @throws      RangeError when the zone is unknown
 * @example     localClock('Europe/London')(Date.parse('2026-07-01T11:00Z')) // Date.parse('2026-07-01T12:00Z')
 */
export function localClock(zone: string): (at: number) => number {
  const known = IANAZone.create(zone)
  if (!known.isValid) throw new RangeError(`"${zone}" is not a time zone`)
  const minutes = new Map<number, number | undefined>()
  const minutesOf = (day: number) => {
    const first = known.offset(day * DAY_MS)
    return first === known.offset((day + 1) * DAY_MS) ? first : undefined
  }
  return (at) => {
    const day = Math.floor(at / DAY_MS)
    if (!minutes.has(day)) minutes.set(day, minutesOf(day))
    return at + (minutes.get(day) ?? known.offset(at)) * 60_000
  }
}

/**
 * The slot that it is when the clocks of a zone say something. An hour that comes twice is one slot twice; an hour that
 * is left out is no slot of that day.
 *
 * @param local  as `localClock` gives it
 */
export function slotOf(local: number): number {
  const day = Math.floor(local / DAY_MS)
  const weekday = (((day + FIRST_WEEKDAY) % 7) + 7) % 7
  return weekday * 24 + Math.floor((local - day * DAY_MS) / HOUR_MS)
}

/**
 * Something counted at instants, added up by slot.
 *
 * @param zone  an IANA time zone
 * @returns     168 sums
 * @example     slotTotals([{ at: Date.parse('2026-10-29T20:15Z'), value: 3 }], 'UTC')[92] // 3
 */
export function slotTotals(counts: Iterable<{ at: number; value: number }>, zone: string): number[] {
  const clock = localClock(zone)
  const totals = Array.from({ length: SLOTS }, () => 0)
  for (const { at, value } of counts) totals[slotOf(clock(at))]! += value
  return totals
}

/**
 * The instant at which an hour of a day begins in a zone; the first of two where it comes twice.
 *
 * @param zone  an IANA time zone
 * @returns     a function of a day and an hour from 0 to 23, undefined where the clocks leave that hour out
 * @example     hourClock('Europe/London')('2026-03-29', 1) // undefined
 */
export function hourClock(zone: string): (day: Day, hour: number) => number | undefined {
  const known = IANAZone.create(zone)
  if (!known.isValid) throw new RangeError(`"${zone}" is not a time zone`)
  const minutes = new Map<Day, number | undefined>()
  return (day, hour) => {
    const start = dayNumber(day) * DAY_MS
    if (!minutes.has(day)) {
      const before = known.offset(start - DAY_MS)
      minutes.set(day, before === known.offset(start + 2 * DAY_MS) ? before : undefined)
    }
    const offset = minutes.get(day)
    if (offset !== undefined) return start + hour * HOUR_MS - offset * 60_000
    const local = DateTime.fromObject({ ...partsOf(day), hour }, { zone })
    return local.hour === hour && local.toISODate() === day ? local.toMillis() : undefined
  }
}

const partsOf = (day: Day) => ({
  year: Number(day.slice(0, 4)),
  month: Number(day.slice(5, 7)),
  day: Number(day.slice(8)),
})

/**
 * The next instant after another one at which a slot begins in a zone.
 *
 * @param after  milliseconds since 1970 UTC
 * @returns      undefined where the slot does not come within three weeks: its hour is left out again and again
 * @example      nextOfSlot(92, Date.parse('2026-10-29T06:00Z'), 'Europe/London') // Date.parse('2026-10-29T20:00Z')
 */
export function nextOfSlot(slot: number, after: number, zone: string): number | undefined {
  const now = DateTime.fromMillis(after, { zone })
  if (!now.isValid) throw new RangeError(`"${zone}" is not a time zone`)
  for (let days = 0; days < 22; days++) {
    const day = now.startOf('day').plus({ days })
    if (day.weekday !== Math.floor(slot / 24) + 1) continue
    const start = day.set({ hour: slot % 24 })
    // the clocks leave this hour out on that day
    if (start.hour !== slot % 24 || start.day !== day.day) continue
    if (start.toMillis() > after) return start.toMillis()
  }
  return undefined
}
