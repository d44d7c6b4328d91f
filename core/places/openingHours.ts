import { addDays, weekday, type Day } from '../days/day'
import { Unreadable } from '../unreadable'

/** Open from a minute of the day to another; past midnight the end lies beyond 1440. */
export interface OpenTime {
  from: number
  to: number
}

/** A month and a day, as month × 100 + day: 4 October is 1004. With a year where it is of one year alone. */
interface YearDay {
  year?: number
  at: number
}

/** One rule: on which days it holds, and when it is open on them. */
export interface HoursRule {
  /** From 1, Monday, to 7; every day where it is absent. */
  weekdays?: readonly number[]
  /** Days of the year on which it holds; the whole year where there are none. */
  dates: readonly { from: YearDay; to: YearDay }[]
  times: readonly OpenTime[]
}

/** Opening hours: the last rule that holds on a day says when it is open then. */
export type OpeningHours = readonly HoursRule[]

export const WEEKDAY_NAMES = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'] as const
export const MONTH_NAMES = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const
const MOST_RULES = 60
const DAY_MINUTES = 1440
const LAST_OF_MONTH = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
/** Over how many days hours are compared: more than a year, so that every date comes. */
const COMPARED_DAYS = 400

const MONTH = MONTH_NAMES.join('|')
const WEEKDAY = WEEKDAY_NAMES.join('|')
const DATE = `(?:(\\d{4}) )?(${MONTH})(?: (\\d{1,2}))?`
const RANGE = new RegExp(`^${DATE}(?:-(?:${DATE}|(\\d{1,2})))?(?=[ ,]|$)`)
const DAYS = new RegExp(`^((?:${WEEKDAY})(?:-(?:${WEEKDAY}))?(?:,(?:${WEEKDAY})(?:-(?:${WEEKDAY}))?)*)(?= |$)`)
const TIME = /^(\d{1,2}):(\d{2})-(\d{1,2}):(\d{2})$/

/**
 * Reads opening hours as OpenStreetMap writes them (key opening_hours), as far as places need it: weekdays, months,
 * dates with or without a year, several times a day, past midnight, `24/7`, `off` and `closed`. Public holidays (PH)
 * are refused: which days these are is not known here.
 *
 * @throws   Unreadable with the part that has no meaning
 * @example  readHours('Mo-Fr 09:00-17:00; Dec 25 off')
 */
export function readHours(text: string): OpeningHours {
  const rules = text
    .replaceAll('–', '-')
    .split(';')
    .map((rule) => rule.trim().replaceAll(/\s+/g, ' '))
    .filter((rule) => rule !== '')
  if (rules.length > MOST_RULES) throw new Unreadable(`Hours have ${MOST_RULES} rules at the most.`)
  return rules.map((rule, index) => {
    const read = readRule(rule)
    // what such a rule takes away from those before it is read in two ways
    if (index > 0 && !read.weekdays && read.dates.length === 0)
      throw new Unreadable(`“${rule}” does not say on which days. Write Mo-Su for every day.`)
    return read
  })
}

function readRule(rule: string): HoursRule {
  if (/\b(PH|SH)\b/.test(rule))
    throw new Unreadable(
      `“${rule}” is about holidays, which are not known here. Write their dates, such as Dec 25 off.`,
    )
  let rest = rule
  const dates: HoursRule['dates'][number][] = []
  for (let found = RANGE.exec(rest); found; found = RANGE.exec(rest)) {
    dates.push(rangeOf(found, rule))
    rest = rest.slice(found[0].length).replace(/^,? ?/, '')
  }
  const days = DAYS.exec(rest)
  if (days) rest = rest.slice(days[0].length).trim()
  const weekdays = days?.[1]!.split(',').flatMap(weekdaysOf)
  return { dates, times: timesOf(rest, rule), ...(weekdays && { weekdays: [...new Set(weekdays)].sort() }) }
}

function weekdaysOf(range: string): number[] {
  const [from, to = from] = range.split('-').map((name) => WEEKDAY_NAMES.indexOf(name as never) + 1)
  const length = ((to! - from! + 7) % 7) + 1
  return Array.from({ length }, (_, index) => ((from! - 1 + index) % 7) + 1)
}

function rangeOf(found: RegExpExecArray, rule: string): HoursRule['dates'][number] {
  const [, year, month, day, toYear, toMonth, toDay, sameMonth] = found
  const from = dateOf(year, month!, day, 'first', rule)
  if (sameMonth !== undefined) return { from, to: dateOf(year, month!, sameMonth, 'last', rule) }
  if (toMonth === undefined) return { from, to: dateOf(year, month!, day, 'last', rule) }
  if ((day === undefined) !== (toDay === undefined)) throw new Unreadable(`“${rule}” has a day on one side only.`)
  const to = dateOf(toYear ?? year, toMonth, toDay, 'last', rule)
  if (to.year !== undefined && from.year === undefined) throw new Unreadable(`“${rule}” has a year on one side only.`)
  if (from.year !== undefined && order(to) < order(from)) throw new Unreadable(`“${rule}” ends before it begins.`)
  return { from, to }
}

function dateOf(
  year: string | undefined,
  month: string,
  day: string | undefined,
  end: 'first' | 'last',
  rule: string,
): YearDay {
  const at = MONTH_NAMES.indexOf(month as never)
  const last = LAST_OF_MONTH[at]!
  const number = day === undefined ? (end === 'first' ? 1 : last) : Number(day)
  if (number < 1 || number > last) throw new Unreadable(`“${rule}”: ${month} has no day ${number}.`)
  return { at: (at + 1) * 100 + number, ...(year !== undefined && { year: Number(year) }) }
}

const order = ({ year = 0, at }: YearDay): number => year * 10_000 + at

function timesOf(text: string, rule: string): OpenTime[] {
  if (text === '24/7' || text === '00:00-24:00') return [{ from: 0, to: DAY_MINUTES }]
  if (text === 'off' || text === 'closed') return []
  if (text === '') throw new Unreadable(`“${rule}” does not say when it is open. Write times, or off.`)
  return merged(
    text.split(',').map((part) => {
      const found = TIME.exec(part.trim())
      if (!found) throw new Unreadable(`“${part.trim()}” is no time. Write 09:00-17:00, off or 24/7.`)
      const [from, end] = [minuteOf(found[1]!, found[2]!), minuteOf(found[3]!, found[4]!)]
      if (from === undefined || from >= DAY_MINUTES || end === undefined || from === end)
        throw new Unreadable(`“${part.trim()}” is no time of a day.`)
      return { from, to: end < from ? end + DAY_MINUTES : end }
    }),
  )
}

function minuteOf(hours: string, minutes: string): number | undefined {
  const minute = Number(hours) * 60 + Number(minutes)
  return Number(minutes) < 60 && minute <= DAY_MINUTES ? minute : undefined
}

/** Times in order, with those that touch put together. */
function merged(times: readonly OpenTime[]): OpenTime[] {
  const result: OpenTime[] = []
  for (const time of [...times].sort((a, b) => a.from - b.from)) {
    const last = result.at(-1)
    if (last && time.from <= last.to) last.to = Math.max(last.to, time.to)
    else result.push({ ...time })
  }
  return result
}

const holdsOn = ({ weekdays, dates }: HoursRule, day: Day): boolean =>
  (!weekdays || weekdays.includes(weekday(day))) && (dates.length === 0 || dates.some((range) => isWithin(range, day)))

function isWithin({ from, to }: HoursRule['dates'][number], day: Day): boolean {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number]
  const at = month * 100 + date
  if (from.year !== undefined) return order(from) <= order({ year, at }) && order({ year, at }) <= order(to)
  return from.at <= to.at ? from.at <= at && at <= to.at : at >= from.at || at <= to.at
}

/**
 * When it is open on a day; what goes past midnight belongs to the day on which it began.
 *
 * @example openOn(readHours('Mo-Fr 09:00-17:00'), '2026-10-28') // [{ from: 540, to: 1020 }]
 */
export const openOn = (hours: OpeningHours, day: Day): readonly OpenTime[] =>
  [...hours].reverse().find((rule) => holdsOn(rule, day))?.times ?? []

/** The minutes of a day in which it is open, those from the day before among them. */
const openWithin = (hours: OpeningHours, day: Day): OpenTime[] =>
  merged([
    ...openOn(hours, addDays(day, -1)).map(({ from, to }) => ({ from: from - DAY_MINUTES, to: to - DAY_MINUTES })),
    ...openOn(hours, day),
  ])
    .map(({ from, to }) => ({ from: Math.max(0, from), to: Math.min(DAY_MINUTES, to) }))
    .filter(({ from, to }) => from < to)

/**
 * The first day on which two hours differ, from a day on for more than a year; undefined where they mean the same,
 * however they are written.
 *
 * @example differsOn(readHours('Mo-Su 10:00-12:00'), readHours('10:00-12:00'), '2026-10-28') // undefined
 */
export function differsOn(one: OpeningHours, other: OpeningHours, from: Day): Day | undefined {
  for (let index = 0; index < COMPARED_DAYS; index++) {
    const day = addDays(from, index)
    if (JSON.stringify(openWithin(one, day)) !== JSON.stringify(openWithin(other, day))) return day
  }
  return undefined
}

const clock = (minute: number): string => {
  const within = minute > DAY_MINUTES ? minute - DAY_MINUTES : minute
  return `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`
}

/**
 * Times as they are written in hours.
 *
 * @example writtenTimes([{ from: 540, to: 1020 }]) // '09:00-17:00'
 */
export const writtenTimes = (times: readonly OpenTime[]): string =>
  times.length === 0 ? 'off' : times.map(({ from, to }) => `${clock(from)}-${clock(to)}`).join(',')

/** Hours as a plain editor has them: a week, and days that are otherwise. */
export interface EditableHours {
  /** Monday to Sunday: times such as 09:00-17:00, or off. */
  week: string[]
  exceptions: { from: Day; to: Day; times: string }[]
}

/**
 * Hours for a plain editor; undefined where they have months or dates of every year, which it cannot show.
 *
 * @example editableHours(readHours('Mo-Fr 09:00-17:00'))!.week[6] // 'off'
 */
export function editableHours(hours: OpeningHours): EditableHours | undefined {
  const firstDated = hours.findIndex(({ dates }) => dates.length > 0)
  const weekly = firstDated < 0 ? hours : hours.slice(0, firstDated)
  const dated = firstDated < 0 ? [] : hours.slice(firstDated)
  const isPlain = dated.every(
    ({ weekdays, dates }) => !weekdays && dates.length > 0 && dates.every(({ from }) => from.year !== undefined),
  )
  if (!isPlain) return undefined
  const dayOf = ({ year, at }: YearDay) =>
    `${year}-${String(Math.floor(at / 100)).padStart(2, '0')}-${String(at % 100).padStart(2, '0')}`
  return {
    week: WEEKDAY_NAMES.map((_, index) =>
      writtenTimes(
        [...weekly].reverse().find(({ weekdays }) => !weekdays || weekdays.includes(index + 1))?.times ?? [],
      ),
    ),
    exceptions: dated.flatMap(({ dates, times }) =>
      dates.map(({ from, to }) => ({ from: dayOf(from), to: dayOf(to), times: writtenTimes(times) })),
    ),
  }
}

/**
 * Hours as text from what a plain editor has: days of the same times are put together.
 *
 * @throws  Unreadable when a time has no meaning
 * @example hoursText({ week: ['09:00-17:00', …], exceptions: [] }) // 'Mo-Fr 09:00-17:00; Sa-Su off'
 */
export function hoursText({ week, exceptions }: EditableHours): string {
  const times = week.map((text) => writtenTimes(timesOf(text.trim() === '' ? 'off' : text.trim(), text)))
  const rules: string[] = []
  for (let from = 0; from < times.length; ) {
    let to = from
    while (to + 1 < times.length && times[to + 1] === times[from]) to++
    const days = from === to ? WEEKDAY_NAMES[from]! : `${WEEKDAY_NAMES[from]}-${WEEKDAY_NAMES[to]}`
    rules.push(`${days} ${times[from]}`)
    from = to + 1
  }
  return [...rules, ...exceptions.map(exceptionText)].join('; ')
}

function exceptionText({ from, to, times }: EditableHours['exceptions'][number]): string {
  const said = (day: Day) => {
    const [year, month, date] = day.split('-') as [string, string, string]
    return `${year} ${MONTH_NAMES[Number(month) - 1]} ${date}`
  }
  if (to < from) throw new Unreadable('A time that is otherwise ends before it begins.')
  return `${from === to ? said(from) : `${said(from)}-${said(to)}`} ${writtenTimes(timesOf(times.trim() || 'off', times))}`
}
