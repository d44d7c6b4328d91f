import type { Day } from '../days/day'
import { parsePeriod } from './parsePeriod'
import type { Period } from './period'
import { runningUnit, type CalendarUnit } from './periodKind'

/**
 * A period as an address has it, and whether it is a part of the calendar that is not over; days of one's own can be
 * one too.
 *
 * @param lastComplete  the last complete day in the client's zone
 * @throws              RangeError with a sentence when the words have no meaning or lie in the future
 * @example             readPeriod('2026-11-01..2026-11-25', '2026-11-25').running // 'month'
 */
export function readPeriod(words: string, lastComplete: Day): { period: Period; running: CalendarUnit | undefined } {
  const { period, running, rolling } = parsePeriod(words, lastComplete)
  return { period, running: running ?? (rolling ? undefined : runningUnit(period, lastComplete)) }
}
