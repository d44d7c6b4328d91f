import { isDay, type Day } from '../days/day'
import { Unreadable } from '../unreadable'

/** In which order a numeric date gives its parts. */
export type DateOrder = 'year-month-day' | 'day-month-year' | 'month-day-year'

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
/** What begins with its year and is written with signs is the same in every order. */
const PLAIN = /^\d{4}-\d{2}-\d{2}$/
const NUMERIC = /^(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})\.?$/
const TIME = /[T ]\d{1,2}:\d{2}(:\d{2}(\.\d+)?)?( ?[AaPp][Mm])?(Z|[+-]\d{2}:?\d{2})?$/

/**
 * The day that a cell of a file means.
 *
 * @param order  how numeric dates are to be read
 * @throws       Unreadable with a sentence that says what is wrong with the cell
 * @example      readDate('28/10/2026', 'day-month-year') // '2026-10-28'
 */
export function readDate(text: string, order: DateOrder): Day {
  if (PLAIN.test(text) && isDay(text)) return text
  const cell = text.trim().replace(TIME, '')
  const numeric = NUMERIC.exec(cell)
  if (numeric)
    return numericDay(
      text,
      numeric.slice(1, 4).map(Number),
      numeric.slice(1, 4).map((part) => part.length),
      order,
    )
  const compact = /^(\d{4})(\d{2})(\d{2})$/.exec(cell)
  if (compact) return dayOrThrow(text, Number(compact[1]), Number(compact[2]), Number(compact[3]))
  const named =
    /^(\d{1,2})(?:st|nd|rd|th)?[ .-]+([A-Za-z]{3,})\.?[ ,.-]+(\d{4})$/.exec(cell) ??
    swap(/^([A-Za-z]{3,})\.?[ .-]+(\d{1,2})(?:st|nd|rd|th)?[ ,.-]+(\d{4})$/.exec(cell))
  if (named)
    return dayOrThrow(text, Number(named[3]), MONTHS.indexOf(named[2]!.slice(0, 3).toLowerCase()) + 1, Number(named[1]))
  if (/^\d{5}$/.test(cell))
    throw new Unreadable(`"${cell}" looks like a spreadsheet's serial date; export the column as text`)
  throw new Unreadable(cell === '' ? 'the date is empty' : `"${cell}" is not a date`)
}

const swap = (match: RegExpExecArray | null): (string | undefined)[] | null =>
  match && [match[0], match[2], match[1], match[3]]

function numericDay(text: string, [a, b, c]: number[], lengths: number[], order: DateOrder): Day {
  if (lengths[0] === 4) return dayOrThrow(text, a!, b!, c!)
  if (lengths[2] !== 4) throw new Unreadable(`"${text.trim()}" needs a year of four digits`)
  if (order === 'year-month-day') throw new Unreadable(`"${text.trim()}" does not begin with the year`)
  return order === 'day-month-year' ? dayOrThrow(text, c!, b!, a!) : dayOrThrow(text, c!, a!, b!)
}

function dayOrThrow(text: string, year: number, month: number, day: number): Day {
  const result = `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`
  if (!isDay(result)) throw new Unreadable(`"${text.trim()}" is no day that exists`)
  return result
}

/**
 * The order in which the dates of a column give their parts, as far as the column itself says so.
 *
 * @returns the order, `ambiguous` when day and month could be either way round, or `none` when nothing looks like a
 *              date
 * @example detectDateOrder(['03/04/2026', '05/04/2026']) // 'ambiguous'
 */
export function detectDateOrder(cells: readonly string[]): DateOrder | 'ambiguous' | 'none' {
  let found: DateOrder | 'ambiguous' | 'none' = 'none'
  for (const text of cells) {
    const cell = text.trim().replace(TIME, '')
    const numeric = NUMERIC.exec(cell)
    if (!numeric || numeric[1]!.length === 4) {
      if (found === 'none' && isReadable(cell)) found = 'year-month-day'
      continue
    }
    const [first, second] = [Number(numeric[1]), Number(numeric[2])]
    if (first > 12) return 'day-month-year'
    if (second > 12) return 'month-day-year'
    found = 'ambiguous'
  }
  return found
}

/**
 * The signs that stand between the numbers of dates whose order is not plain, as the cells of a column write them: more
 * than one is more than one notation.
 *
 * @example dateSigns(['28.10.2026', '07/06/2024']) // ['.', '/']
 */
export function dateSigns(cells: readonly string[]): string[] {
  return [...new Set(cells.flatMap((text) => signOf(text) ?? []))]
}

/** The sign between the numbers of one date; undefined for a date that begins with its year, or has none. */
export function signOf(text: string): string | undefined {
  if (PLAIN.test(text)) return undefined
  const cell = text.trim().replace(TIME, '')
  const numeric = NUMERIC.exec(cell)
  return numeric && numeric[1]!.length < 4 ? cell.charAt(numeric[1]!.length) : undefined
}

/** Whether a cell is a date that needs no order to be read. */
function isReadable(cell: string): boolean {
  try {
    readDate(cell, 'year-month-day')
    return true
  } catch {
    return false
  }
}
