import { addDays, dayNumber, weekday, type Day } from '../days/day'
import type { Period } from '../periods/period'

/** How much of a calendar is seen at once. */
export const SPANS = ['month', 'week', 'day'] as const
export type Span = (typeof SPANS)[number]

const monthOf = (day: Day) => ({ year: Number(day.slice(0, 4)), month: Number(day.slice(5, 7)) })
const firstOf = (year: number, month: number): Day => new Date(Date.UTC(year, month - 1, 1)).toISOString().slice(0, 10)

/**
 * The days of a span around a day: the day itself, its week from Monday on, or its month.
 *
 * @example spanAround('2026-10-29', 'week') // { from: '2026-10-26', to: '2026-11-01' }
 */
export function spanAround(day: Day, span: Span): Period {
  if (span === 'day') return { from: day, to: day }
  if (span === 'week') {
    const from = addDays(day, 1 - weekday(day))
    return { from, to: addDays(from, 6) }
  }
  const { year, month } = monthOf(day)
  return { from: firstOf(year, month), to: addDays(firstOf(year, month + 1), -1) }
}

/**
 * The same span earlier or later, by a day in it. A month later than the 31st is the last day of a shorter one.
 *
 * @example spanStep('2026-01-31', 'month', 1) // '2026-02-28'
 */
export function spanStep(day: Day, span: Span, direction: 1 | -1): Day {
  if (span !== 'month') return addDays(day, direction * (span === 'week' ? 7 : 1))
  const { year, month } = monthOf(day)
  const { from, to } = spanAround(firstOf(year, month + direction), 'month')
  const same = addDays(from, Number(day.slice(8)) - 1)
  return dayNumber(same) > dayNumber(to) ? to : same
}

/**
 * The weeks that a month is drawn in: whole ones from Monday on, days of its neighbours included.
 *
 * @example weeksAround('2026-10-29').length // 5
 */
export function weeksAround(day: Day): Day[][] {
  const { from, to } = spanAround(day, 'month')
  const weeks: Day[][] = []
  for (let monday = addDays(from, 1 - weekday(from)); monday <= to; monday = addDays(monday, 7))
    weeks.push(Array.from({ length: 7 }, (_, index) => addDays(monday, index)))
  return weeks
}
