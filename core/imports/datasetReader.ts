import type { Dataset } from '../datasets/dataset'
import { POSTS, QUESTIONS, THE_OWNER } from '../datasets/datasets'
import type { Day } from '../days/day'
import { dayAt } from '../days/lastCompleteDay'
import { POST_FORMATS } from '../networks/postFormats'
import { Unreadable } from '../unreadable'
import { importTargets } from './importTargets'
import { readCount } from './readCount'
import { readDate, signOf } from './readDate'
import { readInstant } from './readInstant'
import { isExample, LONGEST_CELL, type KnownProfile, type Mapping, type ReadRow } from './rowReader'

/** What rows of a file can belong to. */
export interface KnownThings {
  profiles: readonly KnownProfile[]
  /** Breakdowns by their id and their name in small letters. */
  breakdowns: ReadonlyMap<string, number>
  /** The client's time zone. */
  zone: string
  /** The last complete day; what is later is refused. */
  latest: Day
}

const EARLIEST: Day = '2000-01-01'
const LONGEST_ID = 40
const LONGEST_PART = 80
const SCIENTIFIC = /^\d+([.,]\d+)?e[+-]?\d+$/i
const plain = (name: string): string => name.trim().toLowerCase().replace(/^@/, '')

/**
 * Makes the function that reads the rows of one file of a dataset, in order: it remembers what it has seen, so that a
 * row that comes twice is found. Days by profile have a reader of their own (rowReader), which knows rows of totals.
 *
 * @param headings  the names of the columns, for the reasons
 * @param signs     how the dates of the file were seen to be written when their order was settled
 * @returns         reads a row; of a breakdown the last key is the part by its name, which gets its number when it is
 *                  written
 * @throws          Unreadable when the mapping leaves out what tells rows apart, or names no figure
 */
export function datasetReader(
  dataset: Dataset,
  headings: readonly string[],
  mapping: Mapping,
  known: KnownThings,
  signs?: readonly string[],
): (cells: readonly string[], line: number, isCutOff?: boolean) => ReadRow {
  const columnOf = (target: string) => mapping.targets.indexOf(target)
  const targets = importTargets(dataset)
  for (const { value, name, isRequired } of targets)
    if (isRequired && columnOf(value) < 0) throw new Unreadable(`Say which column holds “${name}”.`)
  const foreign = mapping.targets.find((target) => target !== '' && !targets.some(({ value }) => value === target))
  if (foreign) throw new Unreadable(`“${dataset.name}” has no “${foreign}”. Choose again what that column holds.`)
  const repeated = mapping.targets.find((target, index) => target !== '' && mapping.targets.indexOf(target) !== index)
  if (repeated) throw new Unreadable(`Two columns are both matched to "${repeated}". Choose one.`)
  const measures = dataset.measures.flatMap(({ column, range }) =>
    columnOf(column) < 0 ? [] : [{ column, range, index: columnOf(column) }],
  )
  // a post is one also without figures; everything else is nothing without them
  const isWholeWithout = dataset.texts.length > 0
  if (measures.length === 0 && !isWholeWithout) throw new Unreadable('Say which columns hold figures.')
  const ofSite = dataset.keys.some(({ type }) => type === 'site')
  const [id, handle] = [columnOf('profile_id'), columnOf('handle')]
  if (ofSite ? !mapping.site : id < 0 && handle < 0 && mapping.profile === null)
    throw new Unreadable(
      ofSite
        ? 'Say which site the file belongs to. Sites are added on the page Traffic.'
        : 'Say which profile the file belongs to, or which column names it.',
    )
  const byId = new Map(known.profiles.map((profile) => [profile.remoteId, profile.profile]))
  const byHandle = new Map(
    known.profiles.flatMap((profile) =>
      [profile.handle, profile.name].map((name) => [plain(name), profile.profile] as const),
    ),
  )
  const seen = new Map<string, number>()
  const at = (index: number, line: number) => `row ${line}, column "${headings[index]}"`
  const cellAt = (cells: readonly string[], target: string) => (cells[columnOf(target)] ?? '').trim()

  function within<T>(target: string, line: number, read: () => T): T {
    try {
      return read()
    } catch (error) {
      throw new Unreadable(`${at(columnOf(target), line)}: ${(error as Error).message}`, { cause: error })
    }
  }

  function profileOf(cells: readonly string[]): number {
    const target = id >= 0 ? 'profile_id' : 'handle'
    if (id < 0 && handle < 0) return mapping.profile!
    const text = cellAt(cells, target)
    refuseScientific(text)
    const profile = id >= 0 ? byId.get(text) : byHandle.get(plain(text))
    if (profile === undefined)
      throw new Unreadable(`no profile of this client ${id >= 0 ? 'has the id' : 'is called'} "${text}"`)
    return profile
  }

  function counted(text: string, range?: readonly [number, number]): number | undefined {
    const value = readCount(text, mapping.decimal)
    if (value !== undefined && range && !(value >= range[0] && value <= range[1]))
      throw new Unreadable(`${value} does not lie between ${range[0]} and ${range[1]}`)
    return value
  }

  function dayOf(text: string): Day {
    const sign = signOf(text)
    if (sign !== undefined && signs && signs.length > 0 && !signs.includes(sign))
      throw new Unreadable(
        `"${text}" is written otherwise than the dates above it, so day and month cannot be told; write it as they are`,
      )
    const day = readDate(text, mapping.dateOrder)
    if (day > known.latest) throw new Unreadable(`${day} is not over yet; the last complete day is ${known.latest}`)
    if (day < EARLIEST) throw new Unreadable(`${day} lies before the year 2000`)
    return day
  }

  function keyOf({ column, type, longest }: Dataset['keys'][number], cells: readonly string[]): number | string {
    const text = cellAt(cells, type === 'part' ? 'part' : column)
    switch (type) {
      case 'profile':
        return profileOf(cells)
      case 'site':
        return mapping.site!
      case 'day':
        return dayOf(text)
      case 'breakdown': {
        const code = known.breakdowns.get(text.toLowerCase())
        if (code === undefined) throw new Unreadable(`there is no breakdown "${text}"`)
        return code
      }
      case 'instant':
        return instantOf(text).toISOString().slice(0, 19).replace('T', ' ')
      default:
        return textOf(text, type === 'id' ? LONGEST_ID : type === 'part' ? LONGEST_PART : (longest ?? LONGEST_ID), type)
    }
  }

  function textOf(text: string, most: number, type: string): string {
    if (text === '') throw new Unreadable('nothing stands there')
    refuseScientific(text)
    if (text.length > most) throw new Unreadable(`"${text.slice(0, 40)}…" is longer than ${most} letters`)
    if (type === 'id' && !/^[\w.:-]+$/.test(text)) throw new Unreadable(`"${text}" is no id`)
    return text
  }

  function read(cells: readonly string[], line: number, isCutOff: boolean): ReadRow {
    const long = cells.findIndex((cell) => cell.length > LONGEST_CELL)
    if (long >= 0) throw new Unreadable(`row ${line}, column "${headings[long] ?? long + 1}": the cell is too long`)
    if (isExample(cells)) throw new Unreadable(`row ${line} is an example of the template; write your own in its place`)
    if (isCutOff && cells.length < headings.length)
      throw new Unreadable(
        `row ${line}: the file breaks off in this row, after ${cells.length} of ${headings.length} cells`,
      )
    if (cells.slice(headings.length).some((cell) => cell.trim() !== ''))
      throw new Unreadable(`row ${line} has ${cells.length} cells, but there are ${headings.length} headings`)
    const values: Record<string, number | string | Date> = {}
    for (const { column, index, range } of measures) {
      const value = within(column, line, () => counted(cells[index] ?? '', range))
      if (value !== undefined) values[column] = value
    }
    if (Object.keys(values).length === 0 && !isWholeWithout) throw new Unreadable(`row ${line} has no figure`)
    for (const { column, type, longest = LONGEST_CELL, isOptional } of dataset.texts) {
      const text = cellAt(cells, column)
      if (columnOf(column) < 0 || (text === '' && (type !== 'instant' || isOptional))) continue
      within(column, line, () => {
        if (type === 'instant') values[column] = instantOf(text)
        else if (dataset === POSTS && column === 'format') values[column] = formatOf(text)
        else if (dataset === QUESTIONS && column === 'answered_by' && text.toLowerCase() === THE_OWNER)
          values[column] = THE_OWNER
        else if (text.length > longest) throw new Unreadable(`the text is longer than ${longest} letters`)
        else values[column] = text
      })
    }
    refuseUntimely(values, line)
    for (const { column, of } of dataset.texts)
      if (of !== undefined) values[column] = dayAt((values[of] as Date).getTime(), known.zone)
    const keys = dataset.keys.map((key) =>
      within(
        key.type === 'profile' ? (id >= 0 ? 'profile_id' : 'handle') : key.type === 'part' ? 'part' : key.column,
        line,
        () => keyOf(key, cells),
      ),
    )
    const name = JSON.stringify(keys)
    const earlier = seen.get(name)
    if (earlier !== undefined) throw new Unreadable(`row ${line} is of the same as row ${earlier}`)
    seen.set(name, line)
    const day = (values.day ?? dayOfKey(dataset.keys.findIndex(isOfTime), keys)) as Day
    return { kind: 'good', keys, profile: Number(keys[0]), day, values }
  }

  const isOfTime = ({ type }: Dataset['keys'][number]) => type === 'day' || type === 'instant'
  const dayOfKey = (index: number, keys: readonly (number | string)[]): Day =>
    dataset.keys[index]!.type === 'day'
      ? (keys[index] as Day)
      : dayAt(Date.parse(`${String(keys[index]).replace(' ', 'T')}Z`), known.zone)

  function instantOf(text: string): Date {
    if (text === '') throw new Unreadable('nothing stands there')
    const instant = readInstant(text, mapping.dateOrder, known.zone)
    dayOf(dayAt(instant.getTime(), known.zone))
    return instant
  }

  const capitalised = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
  return (cells, line, isCutOff = false) => {
    try {
      return read(cells, line, isCutOff)
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error
      return { kind: 'bad', reason: capitalised(error.message) }
    }
  }
}

/** An answer has its time, and comes after what it answers. */
function refuseUntimely(values: Readonly<Record<string, number | string | Date>>, line: number): void {
  const begun = values.asked_at ?? values.written_at
  if (values.answer !== undefined && values.answered_at === undefined)
    throw new Unreadable(`row ${line} has an answer, but not when it was given`)
  if (begun !== undefined && values.answered_at !== undefined && values.answered_at < begun)
    throw new Unreadable(`row ${line} was answered before it was written`)
}

function refuseScientific(text: string): void {
  if (SCIENTIFIC.test(text))
    throw new Unreadable(
      `"${text}" is in scientific notation, so the id has lost its digits; export the column as text`,
    )
}

function formatOf(text: string): string {
  const format = text.toLowerCase()
  if (!POST_FORMATS.includes(format))
    throw new Unreadable(`"${text}" is no format; there are ${POST_FORMATS.join(', ')}`)
  return format
}
