import { addDays, dayOf, isDay, lastDayOfMonth, monthOf, weekday, yearOf, type Day } from '../days/day'
import { describeDay } from './describePeriod'
import { isoWeek } from './isoWeek'
import { daysEnding, period, type Period } from './period'

/** What typed words mean: the period, and whether the same words will mean another period tomorrow. */
export interface ParsedPeriod {
  period: Period
  /** True for "last 28 days", false for "Q3 2026". */
  rolling: boolean
  /** True when the end was moved back to the last complete day. */
  running: boolean
}

const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december']
const UNKNOWN = 'Write a period such as "last 28 days", "last month", "Q3 2026", "2026" or "14 Sep to 3 Oct".'

/**
 * The period that a person means by words.
 *
 * @param text      for example `last month`, `last 90 days`, `2026`, `Q3 2026`, `14 Sep to 3 Oct`, `2026-10-01..2026-10-28`
 * @param complete  the last complete day in the client's zone; no period goes beyond it
 * @returns         the period in whole days
 * @throws          RangeError with a sentence for the person when the words have no meaning or lie in the future
 * @example         parsePeriod('Q3 2026', '2026-10-28').period // { from: '2026-07-01', to: '2026-09-30' }
 */
export function parsePeriod(text: string, complete: Day): ParsedPeriod {
  const words = text.trim().toLowerCase().replace(/[,.](?!\.|\d)/g, ' ').replace(/[–—]/g, ' to ').replace(/\s+/g, ' ')
  if (words === '') throw new RangeError(UNKNOWN)
  const rolling = rollingPeriod(words.replaceAll('-', ' '), complete)
  if (rolling) return { ...trim(rolling, complete), rolling: true }
  return { ...trim(fixedPeriod(words, complete), complete), rolling: false }
}

function trim({ from, to }: Period, complete: Day): { period: Period; running: boolean } {
  if (from > complete) throw new RangeError(`That period has no complete day yet; the newest complete day is ${describeDay(complete)}.`)
  return { period: period(from, to > complete ? complete : to), running: to > complete }
}

function rollingPeriod(words: string, complete: Day): Period | undefined {
  if (words === 'yesterday') return { from: complete, to: complete }
  const today = addDays(complete, 1)
  const count = /^(?:the )?(?:last|past) (\d{1,4}) (day|week|month|year)s?$/.exec(words)
  if (count) return lastUnits(Number(count[1]), count[2]!, complete)
  const named = /^(this|last) (week|month|quarter|year)$/.exec(words)
  if (!named) return undefined
  return unitAround(named[2]!, today, named[1] === 'last' ? -1 : 0)
}

function lastUnits(count: number, unit: string, complete: Day): Period {
  if (count < 1) throw new RangeError('A period has at least one day.')
  if (unit === 'day' || unit === 'week') return daysEnding(complete, unit === 'week' ? count * 7 : count)
  const thisMonth = dayOf(yearOf(addDays(complete, 1)), monthOf(addDays(complete, 1)), 1)
  const months = unit === 'year' ? count * 12 : count
  return period(dayOf(yearOf(thisMonth), monthOf(thisMonth) - months, 1), addDays(thisMonth, -1))
}

function unitAround(unit: string, day: Day, step: number): Period {
  const year = yearOf(day)
  if (unit === 'week') {
    const monday = addDays(day, 1 - weekday(day) + 7 * step)
    return { from: monday, to: addDays(monday, 6) }
  }
  if (unit === 'month') return monthPeriod(year, monthOf(day) + step)
  if (unit === 'quarter') return quarterPeriod(year, Math.ceil(monthOf(day) / 3) + step)
  return { from: dayOf(year + step, 1, 1), to: dayOf(year + step, 12, 31) }
}

const monthPeriod = (year: number, month: number): Period => ({ from: dayOf(year, month, 1), to: lastDayOfMonth(year, month) })

function quarterPeriod(year: number, quarter: number): Period {
  return { from: dayOf(year, quarter * 3 - 2, 1), to: lastDayOfMonth(year, quarter * 3) }
}

function fixedPeriod(words: string, complete: Day): Period {
  const pair = /^(?:from )?(.+?)(?:\.\.| to | until | - )(.+)$/.exec(words)
  if (pair) return span(pair[1]!.trim(), pair[2]!.trim(), complete)
  return unit(words, complete)
}

/** One named stretch: a day, a month, a quarter, a half, a week or a year. */
function unit(words: string, complete: Day): Period {
  if (isDay(words)) return { from: words, to: words }
  const year = /^(\d{4})$/.exec(words)
  if (year) return { from: dayOf(Number(year[1]), 1, 1), to: dayOf(Number(year[1]), 12, 31) }
  const part = /^(q|h|quarter |half |week |w)(\d{1,2})(?: (?:of )?(\d{4}))?$/.exec(words.replace(/^(\d{4})[- ]?(q|h|w)(\d{1,2})$/, '$2$3 $1'))
  if (part) return partOfYear(part[1]!.trim()[0]!, Number(part[2]), part[3] ? Number(part[3]) : yearOf(complete))
  const month = /^([a-z]+)(?: (\d{4}))?$/.exec(words)
  if (month && monthNumber(month[1]!)) {
    const number = monthNumber(month[1]!)!
    return monthPeriod(month[2] ? Number(month[2]) : recentYear(dayOf(yearOf(complete), number, 1), complete), number)
  }
  const numeric = /^(\d{4})-(\d{2})$/.exec(words)
  if (numeric && Number(numeric[2]) >= 1 && Number(numeric[2]) <= 12) return monthPeriod(Number(numeric[1]), Number(numeric[2]))
  const day = readDay(words)
  if (day) {
    const whole = toDay(day, day.year ?? recentYear(toDay(day, yearOf(complete)), complete))
    return { from: whole, to: whole }
  }
  throw new RangeError(UNKNOWN)
}

function partOfYear(kind: string, number: number, year: number): Period {
  if (kind === 'w') return isoWeek(year, number)
  const parts = kind === 'q' ? 4 : 2
  if (number < 1 || number > parts) throw new RangeError(kind === 'q' ? 'A year has quarters 1 to 4.' : 'A year has halves 1 and 2.')
  const months = 12 / parts
  return { from: dayOf(year, (number - 1) * months + 1, 1), to: lastDayOfMonth(year, number * months) }
}

interface NamedDay {
  day: number
  month?: number
  year?: number
}

/** From one day to another, where the first may leave its month and year to the second ("1 to 28 October 2026"). */
function span(first: string, second: string, complete: Day): Period {
  const a = readDay(first)
  const b = readDay(second)
  if (!a || !b) {
    const from = unit(first, complete).from
    return ordered(from, unit(second, complete).to)
  }
  if (b.month === undefined) throw new RangeError(UNKNOWN)
  const month = a.month ?? b.month
  const endYear = b.year ?? (a.year !== undefined ? a.year + (b.month < month ? 1 : 0) : recentYear(toDay(b, yearOf(complete)), complete))
  const startYear = a.year ?? (month > b.month ? endYear - 1 : endYear)
  return ordered(toDay({ day: a.day, month }, startYear), toDay(b, endYear))
}

function ordered(from: Day, to: Day): Period {
  if (from > to) throw new RangeError(`That period would end (${to}) before it begins (${from}).`)
  return { from, to }
}

function readDay(words: string): NamedDay | undefined {
  if (isDay(words)) return { day: Number(words.slice(8)), month: monthOf(words), year: yearOf(words) }
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th)?(?: (?:of )?([a-z]+)(?: (\d{4}))?)?$/.exec(words)
  const monthFirst = /^([a-z]+) (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/.exec(words)
  const [day, name, year] = dayFirst ? [dayFirst[1], dayFirst[2], dayFirst[3]] : monthFirst ? [monthFirst[2], monthFirst[1], monthFirst[3]] : []
  if (day === undefined) return undefined
  const month = name === undefined ? undefined : monthNumber(name)
  if (name !== undefined && month === undefined) return undefined
  return { day: Number(day), month, year: year === undefined ? undefined : Number(year) }
}

function monthNumber(name: string): number | undefined {
  const short = name === 'sept' ? 'sep' : name
  const index = short.length < 3 ? -1 : MONTHS.findIndex((month) => month.startsWith(short))
  return index < 0 ? undefined : index + 1
}

/** Without a year, the most recent one in which the day has come. */
const recentYear = (inThisYear: Day, complete: Day): number => yearOf(complete) - (inThisYear > complete ? 1 : 0)

function toDay({ day, month }: NamedDay, year: number): Day {
  if (month === undefined) throw new RangeError(UNKNOWN)
  const text = `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`
  if (!isDay(text)) throw new RangeError(`There is no ${day} ${MONTHS[month - 1]![0]!.toUpperCase()}${MONTHS[month - 1]!.slice(1)} in ${year}.`)
  return text
}
