import * as rrule from 'rrule'
import { Unreadable } from '../unreadable'
import { slotInstant, zonedInstant, zonedTime } from './zonedInstant'

/** How many times a series has at the most. */
export const MOST_REPEATS = 100
// Node knows what the package exports as its default alone
const { RRule, rrulestr } = 'RRule' in rrule ? rrule : (rrule as unknown as { default: typeof rrule }).default
const WALL = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})$/

/** The clocks of a zone as if they were those of UTC: rules are followed on the clock, whatever its changes. */
const onTheClock = (local: string): Date => {
  const [, ...parts] = WALL.exec(local) ?? []
  const [year, month, day, hour, minute] = parts.map(Number)
  return new Date(Date.UTC(year!, month! - 1, day, hour, minute))
}
const fromTheClock = (date: Date): string => date.toISOString().slice(0, 16)

/**
 * When something repeats, by a rule of RFC 5545 on the clocks of a zone. Its beginning is the first time, as RFC 5545
 * says (3.8.5.3), also where the rule does not name it; a time that the clocks leap over falls after the gap (3.3.5), one
 * that comes twice is its first.
 *
 * @param rule   such as “FREQ=WEEKLY;BYDAY=TH;COUNT=6”; it needs an end
 * @param start  the first time on the clocks, such as “2026-11-30T18:00”
 * @returns      milliseconds since 1970 UTC, in their order
 * @throws       Unreadable when the rule cannot be read, never ends, or has more than 100 times
 * @example repeatsOf('FREQ=DAILY;COUNT=2', '2026-10-24T18:00', 'Europe/London').length // 2
 */
export function repeatsOf(rule: string, start: string, zone: string): number[] {
  const first = zonedInstant(start, zone)
  const options = readRule(rule)
  if (options.count === undefined && options.until === undefined)
    throw new Unreadable('Say when it ends: after how many times, or on which day.')
  if ((options.freq ?? 0) > RRule.DAILY) throw new Unreadable('Posts repeat by day, week, month or year.')
  const until = options.until
  const set = new RRule({
    ...options,
    dtstart: onTheClock(start),
    ...(until && { until: onTheClock(zonedTime(until.getTime(), zone)) }),
  })
  const local: string[] = []
  set.all((date, index) => {
    local.push(fromTheClock(date))
    return index < MOST_REPEATS
  })
  if (local.length > MOST_REPEATS)
    throw new Unreadable(`A series has ${MOST_REPEATS} times at the most. Let it end sooner.`)
  const times = local.map((each) => slotInstant(each, zone))
  return times[0] === first ? times : [first, ...times.filter((at) => at > first)]
}

function readRule(rule: string) {
  try {
    if (!/^[A-Z]+=[^;\s]+(;[A-Z]+=[^;\s]+)*$/.test(rule) || rule.includes('DTSTART')) throw new Error('no rule')
    return rrulestr(rule).origOptions
  } catch {
    throw new Unreadable('That rule cannot be read. It is one of RFC 5545, such as FREQ=WEEKLY;BYDAY=TH;COUNT=6.')
  }
}
