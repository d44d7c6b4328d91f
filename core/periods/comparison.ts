import { addDays, dayOf, daysBetween, monthOf, sameDateInYear, yearOf, type Day } from '../days/day'
import { daysEnding, lengthOf, shift, type Period } from './period'

/** What a period is compared against; `none` compares with nothing. */
export const AGAINST = ['before', 'same-dates-last-year', 'same-weekdays-last-year', 'none'] as const
export type Against = (typeof AGAINST)[number]

/** How a day finds its counterpart: a number of days earlier, or the same date of the year before. */
export type Pairing = { kind: 'days'; days: number } | { kind: 'date'; years: number }

/** The comparison period and how its days pair with those of the period. */
export interface Comparison {
  period: Period
  pairing: Pairing
}

/**
 * The comparison period: always as many days as the period, so that like is compared with like.
 *
 * - `before`: the days just before; a running month has the same days of the month before
 * - `same-dates-last-year`: the same dates; 29 February has no counterpart and stands alone
 * - `same-weekdays-last-year`: 364 days earlier, so that Mondays meet Mondays
 *
 * @param isRunning  whether the period is one that is not over yet, such as this month up to yesterday
 * @returns          undefined for `none`
 * @example          comparison({ from: '2026-10-01', to: '2026-10-28' }, 'before').period // { from: '2026-09-03', to: '2026-09-30' }
 */
export function comparison(period: Period, against: Against, isRunning = false): Comparison | undefined {
  switch (against) {
    case 'none':
      return undefined
    case 'before':
      return before(period, isRunning)
    case 'same-weekdays-last-year':
      return byDays(period, 364)
    case 'same-dates-last-year':
      return sameDates(period)
  }
}

const byDays = (period: Period, days: number): Comparison => ({ period: shift(period, -days), pairing: { kind: 'days', days } })

function before(period: Period, isRunning: boolean): Comparison {
  const { from, to } = period
  if (isRunning && from.endsWith('-01') && from.slice(0, 7) === to.slice(0, 7)) {
    const start = dayOf(yearOf(from), monthOf(from) - 1, 1)
    const end = addDays(start, lengthOf(period) - 1)
    if (end < from) return { period: { from: start, to: end }, pairing: { kind: 'days', days: daysBetween(start, from) } }
  }
  return { period: daysEnding(addDays(from, -1), lengthOf(period)), pairing: { kind: 'days', days: lengthOf(period) } }
}

function sameDates({ from, to }: Period): Comparison {
  const earlierOr = (day: Day, step: number) => sameDateInYear(day, yearOf(day) - 1) ?? sameDateInYear(addDays(day, step), yearOf(day) - 1)!
  return { period: { from: earlierOr(from, 1), to: earlierOr(to, -1) }, pairing: { kind: 'date', years: 1 } }
}

/**
 * The day of the comparison period that belongs to a day of the period.
 *
 * @returns undefined for 29 February compared by date with a year that has none
 * @example counterpart('2026-10-28', { kind: 'days', days: 28 }) // '2026-09-30'
 */
export function counterpart(day: Day, pairing: Pairing): Day | undefined {
  return pairing.kind === 'days' ? addDays(day, -pairing.days) : sameDateInYear(day, yearOf(day) - pairing.years)
}
