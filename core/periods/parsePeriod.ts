import { addDays, dayOf, isDay, lastDayOfMonth, monthOf, yearOf, type Day } from '../days/day'
import { describeDay } from './describePeriod'
import { hasWeek53, isoWeek } from './isoWeek'
import { daysEnding, period, type Period } from './period'
import { moveMonths, startOf, type CalendarUnit } from './periodKind'
import { Unreadable } from '../unreadable'

/** What typed words mean: the period, and whether the same words will mean another period tomorrow. */
export interface ParsedPeriod {
  period: Period
  /** True for "last 28 days", false for "Q3 2026". */
  rolling: boolean
  /**
   * The week, month, quarter, half or year that was meant, where it is not over yet and ends with the last complete
   * day.
   */
  running?: CalendarUnit
  /** What a person should know about how the words were read. */
  remark?: string
}

/** One thing that words can mean: how it is said, and words that mean nothing else. */
export interface Reading {
  name: string
  words: string
}

/** Words that can mean more than one period: it is asked about, not guessed. */
export class AmbiguousPeriod extends Unreadable {
  override name = 'AmbiguousPeriod'
  constructor(
    message: string,
    readonly readings: readonly Reading[],
  ) {
    super(message)
  }
}

const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
]
const UNKNOWN = 'Write a period such as "last 28 days", "last month", "Q3 2026", "2026" or "14 Sep to 3 Oct".'
/** Years before this are refused: there were no networks, and "year 26" is a slip. */
const FIRST_YEAR = 1970
/** How many years back a number of two digits after a month may be a year. */
const SHORT_YEARS = 10
/** Short forms that the trade uses. */
const SHORT_FORMS: Record<string, string> = {
  'mtd': 'this month',
  'qtd': 'this quarter',
  'ytd': 'this year',
  'wtd': 'this week',
  'month to date': 'this month',
  'quarter to date': 'this quarter',
  'year to date': 'this year',
  'week to date': 'this week',
}

/**
 * The period that a person means by words.
 *
 * @param text      for example `last month`, `last 90 days`, `MTD`, `2026`, `Q3 2026`, `14 Sep to 3 Oct`,
 *                  `2026-10-01..2026-10-28`
 * @param complete  the last complete day in the client's zone; no period goes beyond it
 * @returns         the period in whole days
 * @throws          Unreadable with a sentence for the person when the words have no meaning or lie in the future; an
 *                             `AmbiguousPeriod` with both readings
 *                  when they can mean two things
 * @example         parsePeriod('Q3 2026', '2026-10-28').period // { from: '2026-07-01', to: '2026-09-30' }
 */
export function parsePeriod(text: string, complete: Day): ParsedPeriod {
  const words = text
    .trim()
    .toLowerCase()
    .replace(/[,.](?!\.|\d)/g, ' ')
    .replace(/[–—]/g, ' to ')
    .replace(/\s+/g, ' ')
  if (words === '') throw new Unreadable(UNKNOWN)
  const spoken = words.replaceAll('-', ' ')
  if (spoken === 'today')
    return {
      period: { from: complete, to: complete },
      rolling: true,
      remark: 'Today is not over yet; this is the newest complete day.',
    }
  const rolling = rollingPeriod(SHORT_FORMS[spoken] ?? spoken, complete)
  if (rolling) return { ...trim(rolling, complete), rolling: true }
  return { ...trim(fixedPeriod(words, complete), complete), rolling: false }
}

/** A period as words name it, before it is known whether all of its days have come. */
interface Named extends Period {
  unit?: CalendarUnit
}

function trim({ from, to, unit }: Named, complete: Day): Pick<ParsedPeriod, 'period' | 'running'> {
  if (yearOf(from) < FIRST_YEAR) throw new Unreadable(`Write a year from ${FIRST_YEAR} on.`)
  if (from > complete)
    throw new Unreadable(`That period has no complete day yet; the newest complete day is ${describeDay(complete)}.`)
  const isRunning = to > complete
  return { period: period(from, isRunning ? complete : to), ...(isRunning && unit && { running: unit }) }
}

function rollingPeriod(words: string, complete: Day): Named | undefined {
  if (words === 'yesterday') return { from: complete, to: complete }
  const today = addDays(complete, 1)
  const count = /^(?:the )?(?:last|past) (\d{1,4}) (day|week|month|year)s?$/.exec(words)
  if (count) return lastUnits(Number(count[1]), count[2]!, complete)
  const named = /^(this|last) (week|month|quarter|half|year)$/.exec(words)
  if (!named) return undefined
  return unitAround(named[2] as CalendarUnit, today, named[1] === 'last' ? -1 : 0)
}

function lastUnits(count: number, unit: string, complete: Day): Period {
  if (count < 1) throw new Unreadable('A period has at least one day.')
  if (unit === 'day' || unit === 'week') return daysEnding(complete, unit === 'week' ? count * 7 : count)
  const thisMonth = dayOf(yearOf(addDays(complete, 1)), monthOf(addDays(complete, 1)), 1)
  const months = unit === 'year' ? count * 12 : count
  return period(dayOf(yearOf(thisMonth), monthOf(thisMonth) - months, 1), addDays(thisMonth, -1))
}

function unitAround(unit: CalendarUnit, day: Day, step: number): Named {
  if (unit === 'week') {
    const monday = addDays(startOf('week', day), 7 * step)
    return { from: monday, to: addDays(monday, 6), unit }
  }
  const months = { month: 1, quarter: 3, half: 6, year: 12 }[unit]
  return { ...moveMonths({ from: startOf(unit, day), to: day }, months, step * months), unit }
}

const monthPeriod = (year: number, month: number): Named => ({
  from: dayOf(year, month, 1),
  to: lastDayOfMonth(year, month),
  unit: 'month',
})

function fixedPeriod(words: string, complete: Day): Named {
  const pair =
    /^(?:from )?(.+?)(?:\.\.| to | until | - )(.+)$/.exec(words) ??
    /^(?:from )?(\d{1,2}(?:st|nd|rd|th)?(?: [a-z]+)?|[a-z]+(?: \d{1,2})?)-(\d{1,2}(?:st|nd|rd|th)? [a-z].*|[a-z].*)$/.exec(
      words,
    )
  if (pair) return span(pair[1]!.trim(), pair[2]!.trim(), complete)
  return unit(words, complete)
}

/** One named stretch: a day, a month, a quarter, a half, a week or a year. */
function unit(words: string, complete: Day): Named {
  if (isDay(words)) return { from: words, to: words }
  const year = /^(\d{4})$/.exec(words)
  if (year) return wholeYear(Number(year[1]))
  const part = /^(q|h|quarter |half |week |w)(\d{1,2})(?:[ -](?:of )?(\d{4}))?$/.exec(
    words.replace(/^(\d{4})[- ]?(q|h|w)(\d{1,2})$/, '$2$3 $1'),
  )
  if (part)
    return partOfYear(
      part[1]!.trim()[0]!,
      Number(part[2]),
      part[3] ? checkedYear(Number(part[3])) : undefined,
      complete,
    )
  const month = /^([a-z]+)(?: (\d{4}))?$/.exec(words)
  if (month && monthNumber(month[1]!)) {
    const number = monthNumber(month[1]!)!
    return monthPeriod(
      month[2] ? checkedYear(Number(month[2])) : recentYear(dayOf(yearOf(complete), number, 1), complete),
      number,
    )
  }
  const numeric = /^(\d{4})-(\d{2})$/.exec(words)
  if (numeric && Number(numeric[2]) >= 1 && Number(numeric[2]) <= 12)
    return monthPeriod(checkedYear(Number(numeric[1])), Number(numeric[2]))
  askAboutSlashes(words)
  askAboutShortYear(words, complete)
  const day = readDay(words)
  if (day) {
    const whole = toDay(day, day.year ?? recentYear(toDay(day, yearOf(complete)), complete))
    return { from: whole, to: whole }
  }
  throw new Unreadable(UNKNOWN)
}

/** A date in figures alone is not taken: which is the day depends on where somebody comes from. */
function askAboutSlashes(words: string): void {
  const parts = /^(\d{1,2})[/.](\d{1,2})[/.](\d{4})$/.exec(words)
  if (!parts) return
  const [first, second, year] = [Number(parts[1]), Number(parts[2]), Number(parts[3])]
  const readings = [
    { day: first, month: second },
    { day: second, month: first },
  ].flatMap(({ day, month }) => {
    const text = `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`
    return isDay(text) ? [{ name: describeDay(text), words: text }] : []
  })
  const different = readings.filter(
    ({ words: text }, index) => readings.findIndex((other) => other.words === text) === index,
  )
  if (different.length === 0) throw new Unreadable(`${words} is no day. Write a day such as 14 Sep ${year}.`)
  throw new AmbiguousPeriod(
    different.length === 1
      ? `A date in figures can be read with the day or the month first. Did you mean ${different[0]!.name}?`
      : `${words} can be ${different[0]!.name} or ${different[1]!.name}: some write the day first, some the month. Which is meant?`,
    different,
  )
}

/** "Nov 26" is a day to some and a month to others. */
function askAboutShortYear(words: string, complete: Day): void {
  const parts = /^([a-z]+) (\d{2})$/.exec(words)
  const month = parts && monthNumber(parts[1]!)
  if (!parts || !month) return
  const number = Number(parts[2])
  const year = 2000 + number
  if (year > yearOf(complete) || year < yearOf(complete) - SHORT_YEARS || dayOf(year, month, 1) > complete) return
  const name = MONTHS[month - 1]!
  const capital = `${name[0]!.toUpperCase()}${name.slice(1)}`
  const text = `${yearOf(complete)}-${String(month).padStart(2, '0')}-${parts[2]}`
  const inYear = isDay(text) ? recentYear(text, complete) : yearOf(complete)
  const day = `${inYear}${text.slice(4)}`
  const whole: Reading = {
    name: `${capital} ${year}, the whole month`,
    words: `${year}-${String(month).padStart(2, '0')}`,
  }
  if (!isDay(day)) return
  throw new AmbiguousPeriod(`“${capital.slice(0, 3)} ${parts[2]}” can be the day or the month. Which is meant?`, [
    { name: describeDay(day), words: day },
    whole,
  ])
}

/** @throws Unreadable for a year in which there was nothing to measure */
function checkedYear(year: number): number {
  if (year < FIRST_YEAR) throw new Unreadable(`Write a year from ${FIRST_YEAR} on.`)
  return year
}

const wholeYear = (year: number): Named => ({
  from: dayOf(checkedYear(year), 1, 1),
  to: dayOf(year, 12, 31),
  unit: 'year',
})

/** A quarter, half or week; without a year the newest one that has begun. */
function partOfYear(kind: string, number: number, given: number | undefined, complete: Day): Named {
  if (kind === 'w') {
    if (given !== undefined) return { ...isoWeek(given, number), unit: 'week' }
    if (number < 1 || number > 53) throw new Unreadable('A year has weeks 1 to 52, some have 53.')
    for (let year = yearOf(complete) + 1; ; year--) {
      if (number === 53 && !hasWeek53(year)) continue
      const week = isoWeek(year, number)
      if (week.from <= complete) return { ...week, unit: 'week' }
    }
  }
  const parts = kind === 'q' ? 4 : 2
  if (number < 1 || number > parts)
    throw new Unreadable(kind === 'q' ? 'A year has quarters 1 to 4.' : 'A year has halves 1 and 2.')
  const months = 12 / parts
  const year = given ?? recentYear(dayOf(yearOf(complete), (number - 1) * months + 1, 1), complete)
  return {
    from: dayOf(year, (number - 1) * months + 1, 1),
    to: lastDayOfMonth(year, number * months),
    unit: kind === 'q' ? 'quarter' : 'half',
  }
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
  if (!a || !b) return unitSpan(first, second, complete)
  if (b.month === undefined) throw new Unreadable(UNKNOWN)
  const month = a.month ?? b.month
  const endYear =
    b.year ??
    (a.year !== undefined ? a.year + (b.month < month ? 1 : 0) : recentYear(toDay(b, yearOf(complete)), complete))
  const startYear = a.year ?? (month > b.month ? endYear - 1 : endYear)
  return ordered(toDay({ day: a.day, month }, startYear), toDay(b, endYear))
}

/**
 * From one named stretch to another; months without a year take it from the second, or lie in the newest years in which
 * both have begun.
 */
function unitSpan(first: string, second: string, complete: Day): Period {
  const [a, b] = [monthNumber(first), /^([a-z]+)(?: (\d{4}))?$/.exec(second)]
  const end = b ? monthNumber(b[1]!) : undefined
  if (a === undefined || !b || end === undefined) return ordered(unit(first, complete).from, unit(second, complete).to)
  const year = b[2] ? checkedYear(Number(b[2])) : recentYear(dayOf(yearOf(complete), end, 1), complete)
  return { from: monthPeriod(a > end ? year - 1 : year, a).from, to: monthPeriod(year, end).to }
}

function ordered(from: Day, to: Day): Period {
  if (from > to) throw new Unreadable(`That period would end (${to}) before it begins (${from}).`)
  return { from, to }
}

function readDay(words: string): NamedDay | undefined {
  if (isDay(words)) return { day: Number(words.slice(8)), month: monthOf(words), year: yearOf(words) }
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th)?(?: (?:of )?([a-z]+)(?: (\d{4}))?)?$/.exec(words)
  const monthFirst = /^([a-z]+) (\d{1,2})(?:st|nd|rd|th)?(?: (\d{4}))?$/.exec(words)
  const [day, name, year] = dayFirst
    ? [dayFirst[1], dayFirst[2], dayFirst[3]]
    : monthFirst
      ? [monthFirst[2], monthFirst[1], monthFirst[3]]
      : []
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
  if (month === undefined) throw new Unreadable(UNKNOWN)
  const text = `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`
  if (!isDay(text))
    throw new Unreadable(
      `There is no ${day} ${MONTHS[month - 1]![0]!.toUpperCase()}${MONTHS[month - 1]!.slice(1)} in ${year}.`,
    )
  return text
}
