import { yearOf, type Day } from '../days/day'
import type { Comparison } from './comparison'
import { lengthOf, type Period } from './period'
import { periodKind, startOf, wholeMonths, type CalendarUnit } from './periodKind'

const LONG = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

const dayOfMonth = (day: Day): number => Number(day.slice(8))
const monthName = (day: Day): string => LONG[Number(day.slice(5, 7)) - 1]!

/**
 * A day in words.
 *
 * @example describeDay('2026-10-28') // '28 Oct 2026'
 */
export const describeDay = (day: Day): string => `${shortDay(day)} ${yearOf(day)}`

/**
 * The day of an instant in words.
 *
 * @example describeInstant(new Date('2026-10-28T23:30:00Z'), 'Europe/Paris') // '29 Oct 2026'
 */
export const describeInstant = (at: Date, zone = 'UTC'): string =>
  describeDay(new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(at))

/** A day without its year, for axes and lists where the year is clear. */
export const shortDay = (day: Day): string => `${dayOfMonth(day)} ${monthName(day).slice(0, 3)}`

/**
 * A period in words, with no part said twice.
 *
 * @example describePeriod({ from: '2026-10-01', to: '2026-10-28' }) // '1 to 28 October 2026'
 */
export function describePeriod({ from, to }: Period): string {
  const end = `${dayOfMonth(to)} ${monthName(to)} ${yearOf(to)}`
  if (from === to) return end
  if (from.slice(0, 7) === to.slice(0, 7)) return `${dayOfMonth(from)} to ${end}`
  if (yearOf(from) === yearOf(to)) return `${dayOfMonth(from)} ${monthName(from)} to ${end}`
  return `${dayOfMonth(from)} ${monthName(from)} ${yearOf(from)} to ${end}`
}

/** A period in as few letters as a legend has room for: `1 Oct – 28 Oct 2026`. */
export const describePeriodShort = ({ from, to }: Period): string =>
  from === to
    ? describeDay(to)
    : `${yearOf(from) === yearOf(to) ? shortDay(from) : describeDay(from)} – ${describeDay(to)}`

/** Whole months by the name that they have: a month, quarter, half or year, or how many months. */
function monthsName(period: Period): string {
  const months = wholeMonths(period)
  const unit = (
    [
      [1, 'month'],
      [3, 'quarter'],
      [6, 'half'],
      [12, 'year'],
    ] as const
  ).find(([length, name]) => length === months && startOf(name, period.from) === period.from)
  return unit ? unit[1] : `${months} months`
}

/** Whole months as people write them: September 2026, Q3 2026, H1 2026, 2026; others by their days. */
function nameOfMonths(period: Period): string {
  const [year, month] = [yearOf(period.from), Number(period.from.slice(5, 7))]
  const names: Record<string, string> = {
    month: `${monthName(period.from)} ${year}`,
    quarter: `Q${(month + 2) / 3} ${year}`,
    half: `H${month === 1 ? 1 : 2} ${year}`,
    year: String(year),
  }
  return names[monthsName(period)] ?? describePeriod(period)
}

/**
 * The comparison in words, as it stands in the scope sentence. Where the two are not equally long, both lengths are
 * said.
 *
 * @param against  one of the named comparisons, or days of one's own
 * @param running  the unit of a period that is not over yet
 * @example        describeAgainst('before', comparison(period, 'before'), period) // 'the 28 days before'
 */
export function describeAgainst(
  against: string,
  comparison: Comparison | undefined,
  period: Period,
  running?: CalendarUnit,
): string {
  if (!comparison || against === 'none') return 'nothing'
  const other = comparison.period
  const [days, otherDays] = [lengthOf(period), lengthOf(other)]
  const lengths = days === otherDays ? '' : ` (${otherDays} days against ${days})`
  if (against === 'same-weekdays-last-year') return 'the same weekdays last year'
  const kind = periodKind(period, running)
  if (against === 'same-dates-last-year') {
    const isNamed = kind.kind === 'months' && monthsName(period) !== 'year'
    return `the same ${isNamed ? monthsName(period) : 'dates'} last year${lengths}`
  }
  if (against === 'before' && kind.kind === 'months')
    return `the ${monthsName(period)} before, ${nameOfMonths(other)}${lengths}`
  if (against === 'before' && kind.kind === 'so far')
    return `the same days of the ${kind.unit} before, ${describePeriod(other)}${lengths}`
  if (against === 'before' || against === 'days-before')
    return days === 1 ? 'the day before' : `the ${days} days before`
  return `${describePeriod(other)}${lengths}`
}
