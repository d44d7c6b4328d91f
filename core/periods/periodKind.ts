import { addDays, dayOf, lastDayOfMonth, monthOf, weekday, yearOf, type Day } from '../days/day'
import { isoWeekOf } from './isoWeek'
import { daysEnding, lengthOf, shift, type Period } from './period'

/** A stretch of the calendar that people count in. */
export const CALENDAR_UNITS = ['week', 'month', 'quarter', 'half', 'year'] as const
export type CalendarUnit = (typeof CALENDAR_UNITS)[number]

/**
 * What kind of period some days are, however they were chosen:
 * - `months`: so many whole months, of which three, six and twelve can be a quarter, a half and a year
 * - `so far`: a week, month, quarter, half or year that is not over, from its first day to the last complete one
 * - `days`: any other days
 */
export type PeriodKind = { kind: 'months'; months: number } | { kind: 'so far'; unit: CalendarUnit } | { kind: 'days' }

/**
 * The kind of a period.
 *
 * @param running  the unit that the words of the period name, where it is not over yet ("this quarter")
 * @example        periodKind({ from: '2026-10-01', to: '2026-10-31' }) // { kind: 'months', months: 1 }
 */
export function periodKind({ from, to }: Period, running?: CalendarUnit): PeriodKind {
  if (running && startOf(running, to) === from) return { kind: 'so far', unit: running }
  const months = wholeMonths({ from, to })
  return months > 0 ? { kind: 'months', months } : { kind: 'days' }
}

/** How many whole months a period is; 0 where it does not begin on a first and end on a last day of a month. */
export function wholeMonths({ from, to }: Period): number {
  if (!from.endsWith('-01') || to !== lastDayOfMonth(yearOf(to), monthOf(to))) return 0
  return (yearOf(to) - yearOf(from)) * 12 + monthOf(to) - monthOf(from) + 1
}

const MONTHS_OF = { month: 1, quarter: 3, half: 6, year: 12 } as const

/**
 * The first day of the week (Monday), month, quarter, half or year that a day lies in.
 *
 * @example startOf('quarter', '2026-11-25') // '2026-10-01'
 */
export function startOf(unit: CalendarUnit, day: Day): Day {
  if (unit === 'week') return addDays(day, 1 - weekday(day))
  const months = MONTHS_OF[unit]
  return dayOf(yearOf(day), Math.floor((monthOf(day) - 1) / months) * months + 1, 1)
}

/**
 * The unit that some days are so far, by the days alone: the shortest one that begins with them, where they end with
 * the last complete day. Whole months are what they are, also while their quarter goes on.
 *
 * @example runningUnit({ from: '2026-11-01', to: '2026-11-25' }, '2026-11-25') // 'month'
 */
export function runningUnit({ from, to }: Period, last: Day): CalendarUnit | undefined {
  if (to !== last || wholeMonths({ from, to }) > 0) return undefined
  return CALENDAR_UNITS.find((unit) => startOf(unit, to) === from && startOf(unit, addDays(to, 1)) === from)
}

/**
 * Whole months, and a week or month that is not over, as they stand in an address, so that their kind is not lost;
 * other days as their first and last.
 *
 * @example periodAddress({ from: '2026-10-01', to: '2026-10-31' }) // '2026-10'
 */
export function periodAddress(period: Period, running?: CalendarUnit): string {
  const { from, to } = period
  const months = running && running !== 'week' ? MONTHS_OF[running] : wholeMonths(period)
  const year = yearOf(from)
  if (months === 1) return from.slice(0, 7)
  if (months === 3 && startOf('quarter', from) === from) return `${year}-q${(monthOf(from) + 2) / 3}`
  if (months === 6 && startOf('half', from) === from) return `${year}-h${monthOf(from) === 1 ? 1 : 2}`
  if (months === 12 && startOf('year', from) === from) return String(year)
  if (running === 'week') return isoWeekOf(from)
  return `${from}..${to}`
}

/** Whole months moved by a number of months. */
export function moveMonths({ from }: Period, months: number, by: number): Period {
  const first = dayOf(yearOf(from), monthOf(from) + by, 1)
  return { from: first, to: lastDayOfMonth(yearOf(first), monthOf(first) + months - 1) }
}

/**
 * The period of the same kind that lies next to a period: the month after a month, the whole week before a week so far,
 * the 28 days after 28 days.
 *
 * @param direction 1 for later, −1 for earlier
 * @param last      the last complete day; a later period ends there at the latest
 * @returns         the same period where there is nothing later yet
 * @example         stepPeriod({ from: '2026-10-01', to: '2026-10-31' }, -1, '2026-11-25') // September
 */
export function stepPeriod(period: Period, direction: 1 | -1, last: Day, running?: CalendarUnit): Period {
  const kind = periodKind(period, running)
  const moved =
    kind.kind === 'months'
      ? moveMonths(period, kind.months, direction * kind.months)
      : kind.kind === 'so far' && direction < 0
        ? { from: startOf(kind.unit, addDays(period.from, -1)), to: addDays(period.from, -1) }
        : shift(period, direction * lengthOf(period))
  if (moved.to <= last) return moved
  // a month that has begun is shown as far as it goes; days keep their number
  if (kind.kind === 'months') return moved.from > last ? period : { from: moved.from, to: last }
  return kind.kind === 'so far' ? period : daysEnding(last, lengthOf(period))
}
