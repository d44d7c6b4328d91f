import { dayNumber, daysBetween, type Day } from '../days/day'
import { FACT_COLUMNS, type FactColumn } from '../metrics/storedFigures'
import type { Target } from './layout'
import { readCount, type DecimalSign } from './readCount'
import { readDate, signOf, type DateOrder } from './readDate'
import { Unreadable } from '../unreadable'

/** How the columns of a file are to be read. */
export interface Mapping {
  targets: Target[]
  dateOrder: DateOrder
  decimal: DecimalSign
  /** The profile that every row belongs to, where the file does not say. */
  profile: number | null
  /** The site that every row belongs to, of data of sites. */
  site?: number | null
  /** Which dataset the file is of; daily figures where it does not say. */
  dataset?: string
}

/** A profile that rows can belong to. */
export interface KnownProfile {
  profile: number
  remoteId: string
  handle: string
  name: string
}

/** What became of a row. */
export type ReadRow =
  | {
      kind: 'good'
      /** What tells the row from others, in the order of its dataset's keys. */
      keys: (number | string)[]
      /** The profile or the site that it belongs to. */
      profile: number
      day: Day
      values: Readonly<Record<string, number | string | Date | undefined>>
    }
  | { kind: 'bad'; reason: string }
  /** A row of totals, provided that only such rows follow it; else it is a bad row, for the reason given. */
  | { kind: 'totals'; reason: string }

const EARLIEST: Day = '2000-01-01'
const TOTALS = /^(grand )?(total|totals|sum|summe|gesamt|all days)\b/i

/** How many letters a cell may have: what is longer is no date, no name and no figure. */
export const LONGEST_CELL = 10_000

/** Whether a row is one of those that a template shows: it cannot be meant. */
export const isExample = (cells: readonly string[]): boolean => cells.some((cell) => cell.trim().startsWith(EXAMPLE))

/** With what a cell of a template's example begins. */
export const EXAMPLE = 'Example:'
const SCIENTIFIC = /^\d+([.,]\d+)?e[+-]?\d+$/i

/**
 * Makes the function that reads the rows of one file, in order: it remembers the days that it has seen, so that a day
 * that comes twice is found, and the sums, by which it knows a row of totals. The function is told when the file ends
 * within a row.
 *
 * @param headings  the names of the columns, for the reasons
 * @param latest    the last complete day; later days are refused
 * @param signs     how the dates of the file were seen to be written when their order was settled; one that is written
 *                  otherwise is refused, not guessed
 * @throws          Unreadable when the mapping names no day, no profile or no figure
 */
export function rowReader(
  headings: readonly string[],
  mapping: Mapping,
  profiles: readonly KnownProfile[],
  latest: Day,
  signs?: readonly string[],
): (cells: readonly string[], line: number, isCutOff?: boolean) => ReadRow {
  const columnOf = (target: Target) => mapping.targets.indexOf(target)
  const day = columnOf('day')
  const id = columnOf('profile_id')
  const handle = columnOf('handle')
  const figures = FACT_COLUMNS.flatMap((column) => (columnOf(column) < 0 ? [] : [{ column, index: columnOf(column) }]))
  if (day < 0) throw new Unreadable('Say which column holds the date.')
  if (figures.length === 0) throw new Unreadable('Say which columns hold figures.')
  if (id < 0 && handle < 0 && mapping.profile === null)
    throw new Unreadable('Say which profile the file belongs to, or which column names it.')
  const repeated = mapping.targets.find((target, index) => target !== '' && mapping.targets.indexOf(target) !== index)
  if (repeated) throw new Unreadable(`Two columns are both matched to "${repeated}". Choose one.`)
  const byId = new Map(profiles.map((profile) => [profile.remoteId, profile.profile]))
  const byHandle = new Map<string, Set<number>>()
  for (const { handle: own, name, profile } of profiles)
    for (const called of [plain(own), plain(name)])
      byHandle.set(called, (byHandle.get(called) ?? new Set()).add(profile))
  const seen = new Map<number, Uint32Array>()
  const [earliest, span] = [dayNumber(EARLIEST), daysBetween(EARLIEST, latest) + 1]

  const at = (index: number, line: number) => `row ${line}, column "${headings[index]}"`
  const within = <T>(index: number, line: number, read: () => T): T => {
    try {
      return read()
    } catch (error) {
      throw new Unreadable(`${at(index, line)}: ${(error as Error).message}`, { cause: error })
    }
  }

  function profileOf(cells: readonly string[], line: number): number {
    if (id >= 0) {
      const text = (cells[id] ?? '').trim()
      if (SCIENTIFIC.test(text))
        throw new Unreadable(
          `${at(id, line)}: "${text}" is in scientific notation, so the id has lost its digits; export the column as text`,
        )
      const profile = byId.get(text)
      if (profile === undefined) throw new Unreadable(`${at(id, line)}: no profile of this client has the id "${text}"`)
      return profile
    }
    if (handle < 0) return mapping.profile!
    const text = (cells[handle] ?? '').trim()
    const [profile, ...others] = byHandle.get(plain(text)) ?? []
    if (profile === undefined)
      throw new Unreadable(`${at(handle, line)}: no profile of this client is called "${text}"`)
    if (others.length > 0)
      throw new Unreadable(
        `${at(handle, line)}: ${others.length + 1} profiles of this client are called "${text}"; match a column with the ` +
          'ids of the network, or bring a file for each profile',
      )
    return profile
  }

  const sums = new Map<FactColumn, number>()

  /**
   * Why a row that calls itself a total is one, or undefined when it is a row like any other: its figures are the sums
   * of those above, or it has no day.
   */
  function totalsReason(cells: readonly string[], line: number): string | undefined {
    const first = cells.findIndex((cell) => cell.trim() !== '')
    const label = (cells[first] ?? '').trim()
    if (first < 0 || !TOTALS.test(label) || (first === handle && byHandle.has(plain(label)))) return undefined
    const reason = `row ${line} says "${label.slice(0, 60)}", but other rows follow it`
    if (!isDate(cells[day] ?? '')) return reason
    const given = figures.flatMap(({ column, index }) => {
      const value = countOf(cells[index] ?? '')
      return value === undefined ? [] : [{ column, value }]
    })
    return given.length > 0 && given.every(({ column, value }) => value === (sums.get(column) ?? 0))
      ? reason
      : undefined
  }
  function dateOf(text: string): Day {
    const sign = signOf(text)
    if (sign !== undefined && signs && signs.length > 0 && !signs.includes(sign))
      throw new Unreadable(
        `"${text.trim()}" is written otherwise than the dates above it, so day and month cannot be told; write it as they are`,
      )
    return readDate(text, mapping.dateOrder)
  }
  const isDate = (text: string): boolean => {
    try {
      return readDate(text, mapping.dateOrder) !== ''
    } catch {
      return false
    }
  }
  const countOf = (text: string): number | undefined => {
    try {
      return readCount(text, mapping.decimal)
    } catch {
      return Number.NaN
    }
  }

  function read(cells: readonly string[], line: number, isCutOff: boolean): ReadRow {
    const long = cells.findIndex((cell) => cell.length > LONGEST_CELL)
    if (long >= 0)
      throw new Unreadable(
        `row ${line}, column "${headings[long] ?? long + 1}": the cell has ` +
          `${cells[long]!.length.toLocaleString('en')} letters; ${LONGEST_CELL.toLocaleString('en')} ` +
          'are the most',
      )
    if (isExample(cells)) throw new Unreadable(`row ${line} is an example of the template; write your own in its place`)
    if (isCutOff && cells.length < headings.length)
      throw new Unreadable(
        `row ${line}: the file breaks off in this row, after ${cells.length} of ${headings.length} cells`,
      )
    if (cells.length !== headings.length && cells.slice(headings.length).some((cell) => cell.trim() !== '')) {
      throw new Unreadable(`row ${line} has ${cells.length} cells, but there are ${headings.length} headings`)
    }
    const date = within(day, line, () => dateOf(cells[day] ?? ''))
    if (date > latest)
      throw new Unreadable(`${at(day, line)}: ${date} is not over yet; the last complete day is ${latest}`)
    if (date < EARLIEST) throw new Unreadable(`${at(day, line)}: ${date} lies before the year 2000`)
    const profile = profileOf(cells, line)
    const values: Partial<Record<FactColumn, number>> = {}
    for (const { column, index } of figures) {
      const value = within(index, line, () => readCount(cells[index] ?? '', mapping.decimal))
      if (value !== undefined) values[column] = value
    }
    if (Object.keys(values).length === 0) throw new Unreadable(`row ${line} has a date but no figure`)
    const lines = seen.get(profile) ?? new Uint32Array(span)
    const earlier = lines[dayNumber(date) - earliest]!
    if (earlier > 0) throw new Unreadable(`${at(day, line)}: ${date} came already in row ${earlier}`)
    lines[dayNumber(date) - earliest] = line
    seen.set(profile, lines)
    for (const { column } of figures)
      if (values[column] !== undefined) sums.set(column, (sums.get(column) ?? 0) + values[column])
    return { kind: 'good', keys: [profile, date], profile, day: date, values }
  }

  const capitalised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
  return (cells, line, isCutOff = false) => {
    const totals = totalsReason(cells, line)
    if (totals) return { kind: 'totals', reason: capitalised(totals) }
    try {
      return read(cells, line, isCutOff)
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error
      return { kind: 'bad', reason: capitalised(error.message) }
    }
  }
}

const plain = (name: string): string => name.trim().toLowerCase().replace(/^@/, '')
