import { dayNumber, daysBetween, type Day } from '../days/day'
import { FACT_COLUMNS, type FactColumn } from '../metrics/metric'
import type { Target } from './layout'
import { readCount, type DecimalSign } from './readCount'
import { readDate, type DateOrder } from './readDate'

/** How the columns of a file are to be read. */
export interface Mapping {
  targets: Target[]
  dateOrder: DateOrder
  decimal: DecimalSign
  /** The profile that every row belongs to, where the file does not say. */
  profile: number | null
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
  | { kind: 'good'; profile: number; day: Day; values: Partial<Record<FactColumn, number>> }
  | { kind: 'bad'; reason: string }
  | { kind: 'totals' }

const EARLIEST: Day = '2000-01-01'
const TOTALS = /^(grand )?(total|totals|sum|summe|gesamt|all days)\b/i
const SCIENTIFIC = /^\d+([.,]\d+)?e[+-]?\d+$/i

/**
 * Makes the function that reads the rows of one file, in order: it remembers the days that it has seen, so that a day that comes twice is found.
 *
 * @param headings  the names of the columns, for the reasons
 * @param latest    the last complete day; later days are refused
 * @throws          RangeError when the mapping names no day, no profile or no figure
 */
export function rowReader(headings: readonly string[], mapping: Mapping, profiles: readonly KnownProfile[], latest: Day): (cells: readonly string[], line: number) => ReadRow {
  const columnOf = (target: Target) => mapping.targets.indexOf(target)
  const day = columnOf('day')
  const id = columnOf('profile_id')
  const handle = columnOf('handle')
  const figures = FACT_COLUMNS.flatMap((column) => (columnOf(column) < 0 ? [] : [{ column, index: columnOf(column) }]))
  if (day < 0) throw new RangeError('Say which column holds the date.')
  if (figures.length === 0) throw new RangeError('Say which columns hold figures.')
  if (id < 0 && handle < 0 && mapping.profile === null) throw new RangeError('Say which profile the file belongs to, or which column names it.')
  const repeated = mapping.targets.find((target, index) => target !== '' && mapping.targets.indexOf(target) !== index)
  if (repeated) throw new RangeError(`Two columns are both matched to "${repeated}". Choose one.`)
  const byId = new Map(profiles.map((profile) => [profile.remoteId, profile.profile]))
  const byHandle = new Map(profiles.flatMap((profile) => [profile.handle, profile.name].map((name) => [plain(name), profile.profile] as const)))
  const seen = new Map<number, Uint32Array>()
  const [earliest, span] = [dayNumber(EARLIEST), daysBetween(EARLIEST, latest) + 1]

  const at = (index: number, line: number) => `row ${line}, column "${headings[index]}"`
  const within = <T>(index: number, line: number, read: () => T): T => {
    try {
      return read()
    } catch (error) {
      throw new RangeError(`${at(index, line)}: ${(error as Error).message}`, { cause: error })
    }
  }

  function profileOf(cells: readonly string[], line: number): number {
    if (id >= 0) {
      const text = (cells[id] ?? '').trim()
      if (SCIENTIFIC.test(text)) throw new RangeError(`${at(id, line)}: "${text}" is in scientific notation, so the id has lost its digits; export the column as text`)
      const profile = byId.get(text)
      if (profile === undefined) throw new RangeError(`${at(id, line)}: no profile of this client has the id "${text}"`)
      return profile
    }
    if (handle < 0) return mapping.profile!
    const text = (cells[handle] ?? '').trim()
    const profile = byHandle.get(plain(text))
    if (profile === undefined) throw new RangeError(`${at(handle, line)}: no profile of this client is called "${text}"`)
    return profile
  }

  function read(cells: readonly string[], line: number): ReadRow {
    if (cells.length !== headings.length && cells.slice(headings.length).some((cell) => cell.trim() !== '')) {
      throw new RangeError(`row ${line} has ${cells.length} cells, but there are ${headings.length} headings`)
    }
    const date = within(day, line, () => readDate(cells[day] ?? '', mapping.dateOrder))
    if (date > latest) throw new RangeError(`${at(day, line)}: ${date} is not over yet; the last complete day is ${latest}`)
    if (date < EARLIEST) throw new RangeError(`${at(day, line)}: ${date} lies before the year 2000`)
    const profile = profileOf(cells, line)
    const values: Partial<Record<FactColumn, number>> = {}
    for (const { column, index } of figures) {
      const value = within(index, line, () => readCount(cells[index] ?? '', mapping.decimal))
      if (value !== undefined) values[column] = value
    }
    if (Object.keys(values).length === 0) throw new RangeError(`row ${line} has a date but no figure`)
    const lines = seen.get(profile) ?? new Uint32Array(span)
    const earlier = lines[dayNumber(date) - earliest]!
    if (earlier > 0) throw new RangeError(`${at(day, line)}: ${date} came already in row ${earlier}`)
    lines[dayNumber(date) - earliest] = line
    seen.set(profile, lines)
    return { kind: 'good', profile, day: date, values }
  }

  return (cells, line) => {
    try {
      return read(cells, line)
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      if (cells.some((cell) => TOTALS.test(cell.trim()))) return { kind: 'totals' }
      return { kind: 'bad', reason: error.message.charAt(0).toUpperCase() + error.message.slice(1) }
    }
  }
}

const plain = (name: string): string => name.trim().toLowerCase().replace(/^@/, '')
