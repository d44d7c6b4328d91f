import { addDays, weekday } from '../days/day'
import { slotInstant, zonedTime } from './zonedInstant'

/** A time of the week at which posts go out: Monday is 1; minutes from midnight on the client’s clocks. */
export interface WeeklySlot {
  weekday: number
  minutes: number
}

/** So far ahead slots are looked for. */
export const MOST_WEEKS_AHEAD = 53

const HOUR_MS = 3_600_000
const two = (value: number) => String(value).padStart(2, '0')

/** @example clockTime(1085) // '18:05' */
export const clockTime = (minutes: number): string => `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`

/**
 * The next times at which a weekly slot is free, the earliest first: in the future and far enough from
 * everything that is planned and from each other. On a day on which the clocks leap over a slot it falls after the gap.
 *
 * @param slots    the times of the week
 * @param zone     an IANA time zone
 * @param now      milliseconds since 1970 UTC
 * @param taken    when posts are planned, in milliseconds since 1970 UTC
 * @param apart    how many hours lie between two posts at the least
 * @param most     how many are wanted
 * @returns        such as “2026-11-30T18:00”, fewer than wanted where 53 weeks do not have them
 * @example freeSlots([{ weekday: 1, minutes: 540 }], { zone: 'UTC', now: 0, taken: [], apart: 1, most: 1 })
 * // ['1970-01-05T09:00']
 */
export function freeSlots(
  slots: readonly WeeklySlot[],
  {
    zone,
    now,
    taken,
    apart,
    most,
  }: { zone: string; now: number; taken: readonly number[]; apart: number; most: number },
): string[] {
  const found: string[] = []
  const used = [...taken]
  const ordered = [...slots].sort((a, b) => a.minutes - b.minutes)
  const first = zonedTime(now, zone).slice(0, 10)
  for (let ahead = 0; ahead < 7 * MOST_WEEKS_AHEAD && found.length < most; ahead++) {
    const day = addDays(first, ahead)
    for (const { weekday: wanted, minutes } of ordered) {
      if (wanted !== weekday(day) || found.length >= most) continue
      const at = slotInstant(`${day}T${clockTime(minutes)}`, zone)
      if (at <= now || used.some((other) => isNear(at, other, apart))) continue
      used.push(at)
      found.push(zonedTime(at, zone))
    }
  }
  return found
}

/** Two posts at one time are near each other, whatever lies between others. */
const isNear = (one: number, other: number, hours: number): boolean =>
  one === other || Math.abs(one - other) < hours * HOUR_MS
