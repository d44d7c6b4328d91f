import { addDays, dayFromNumber, dayNumber, daysBetween, sameDateInYear, yearOf, type Day } from '../days/day'
import { daysEnding, lengthOf, shift, type Period } from './period'
import { moveMonths, periodKind, startOf, wholeMonths, type CalendarUnit } from './periodKind'

/**
 * What a period is compared against by name; any other text is a period of one's own, in words or days. `none` compares
 * with nothing.
 */
export const AGAINST = ['before', 'days-before', 'same-dates-last-year', 'same-weekdays-last-year', 'none'] as const
export type Against = (typeof AGAINST)[number]

/** Whether a text is one of the named comparisons. */
export const isNamedAgainst = (text: string): text is Against => (AGAINST as readonly string[]).includes(text)

/** How a day finds its counterpart: a number of days earlier, or the same date of an earlier year. */
export type Pairing = { kind: 'days'; days: number } | { kind: 'date'; years: number }

/**
 * The comparison period and how its days pair with those of the period. A day may have no counterpart where the two are
 * not equally long.
 */
export interface Comparison {
  period: Period
  pairing: Pairing
}

/**
 * The comparison period, of the same kind as the period.
 *
 * - `before`: whole months (a month, a quarter, a half, a year) against as many whole months just before; a week,
 * month, quarter or year that is not over
 *   against the same days of the one before; other days against as many days just before
 * - `days-before`: as many days just before, whatever the period is
 * - `same-dates-last-year`: the same dates; whole months against the whole months; a 29 February alone against the 28th
 * - `same-weekdays-last-year`: 364 days earlier, so that Mondays meet Mondays
 *
 * @param running  the unit that the period's words name, where it is not over yet
 * @returns        undefined for `none`
 * @example        comparison({ from: '2026-10-01', to: '2026-10-31' }, 'before').period // { from: '2026-09-01', to:
 *                              '2026-09-30' }
 */
export function comparison(period: Period, against: Against, running?: CalendarUnit): Comparison | undefined {
  switch (against) {
    case 'none':
      return undefined
    case 'before':
      return before(period, running)
    case 'days-before':
      return daysBefore(period)
    case 'same-weekdays-last-year':
      return { period: shift(period, -364), pairing: { kind: 'days', days: 364 } }
    case 'same-dates-last-year':
      return sameDates(period)
  }
}

/**
 * A comparison with days of one's own choosing: the first day with the first, and so on.
 *
 * @example comparisonWith(october, { from: '2025-07-01', to: '2025-09-30' }).pairing.days // 457
 */
export const comparisonWith = (period: Period, other: Period): Comparison => ({
  period: other,
  pairing: { kind: 'days', days: daysBetween(other.from, period.from) },
})

const daysBefore = (period: Period): Comparison =>
  comparisonWith(period, daysEnding(addDays(period.from, -1), lengthOf(period)))

function before(period: Period, running: CalendarUnit | undefined): Comparison {
  const kind = periodKind(period, running)
  if (kind.kind === 'days') return daysBefore(period)
  if (kind.kind === 'months') return comparisonWith(period, moveMonths(period, kind.months, -kind.months))
  if (kind.unit === 'year') return sameDates(period)
  // as many days from the start of the one before, which may be shorter
  const end = addDays(period.from, -1)
  const from = startOf(kind.unit, end)
  const to = addDays(from, lengthOf(period) - 1)
  return comparisonWith(period, { from, to: to < end ? to : end })
}

function sameDates(period: Period): Comparison {
  const months = wholeMonths(period)
  const lastYear = (day: Day) => sameDateInYear(day, yearOf(day) - 1) ?? addDays(day, -366)
  const other = months > 0 ? moveMonths(period, months, -12) : { from: lastYear(period.from), to: lastYear(period.to) }
  return { period: other, pairing: { kind: 'date', years: 1 } }
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

/**
 * How far back earlier comparisons are looked for, and for how long a period at the most: of longer ones there are too
 * few.
 */
export const USUAL_DAYS = 365
export const LONGEST_USUAL_DAYS = 92

/**
 * The same comparison as it would have been made earlier in the past year: whole months move by a month, other days by
 * their own number, a week at the least and four at the most. The period that is judged is not among them.
 *
 * @returns the period and its comparison, the newest first; none where the period or its comparison is longer than 92
 *              days
 * @example earlierComparisons(october, comparison(october, 'before')!)[0].period // September
 */
export function earlierComparisons(period: Period, compared: Comparison): { period: Period; comparison: Comparison }[] {
  const length = lengthOf(period)
  if (length > LONGEST_USUAL_DAYS || lengthOf(compared.period) > LONGEST_USUAL_DAYS) return []
  const first = addDays(period.from, -USUAL_DAYS)
  const months = wholeMonths(period)
  const otherMonths = wholeMonths(compared.period)
  const found: { period: Period; comparison: Comparison }[] = []
  const byMonth = months > 0 && months === otherMonths
  for (let step = 1; ; step++) {
    const by = byMonth ? -step - months + 1 : -Math.max(length, 7) - Math.max(7, Math.min(length, 28)) * (step - 1)
    const earlier = byMonth ? moveMonths(period, months, by) : shift(period, by)
    if (earlier.from < first) return found
    const other = byMonth ? moveMonths(compared.period, months, by) : shift(compared.period, by)
    found.push({
      period: earlier,
      comparison:
        compared.pairing.kind === 'date'
          ? { period: other, pairing: compared.pairing }
          : comparisonWith(earlier, other),
    })
  }
}

/** The days over which a period and its comparison reach, gap between them included. */
export function spanOf(periods: readonly Period[]): Period {
  const numbers = periods.flatMap(({ from, to }) => [dayNumber(from), dayNumber(to)])
  return { from: dayFromNumber(Math.min(...numbers)), to: dayFromNumber(Math.max(...numbers)) }
}

/** Whether two periods have a different number of days, so that counts have to be read by the day. */
export const differInLength = (period: Period, { period: other }: Comparison): boolean =>
  lengthOf(period) !== lengthOf(other)
