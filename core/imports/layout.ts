import { CATALOGUE } from '../metrics/catalogue'
import type { Dataset } from '../datasets/dataset'
import { PROFILE_DAY } from '../datasets/datasets'
import { FILE_DATASETS, importTargets } from './importTargets'
import { HEADING_WORDS } from './headingWords'
import type { Encoding } from './encoding'
import type { ColumnContent } from './columnContents'
import { dateSigns, detectDateOrder, type DateOrder } from './readDate'
import { detectDecimalSign, type DecimalSign } from './readCount'
import { Unreadable } from '../unreadable'

/**
 * What a column of a file holds: a column of its dataset, the profile's own id on its network (`profile_id`) or its name
 * (`handle`), or nothing that is wanted (empty).
 */
export type Target = string

/** How many columns a file may have, and how many letters a heading. */
export const MOST_COLUMNS = 500
export const LONGEST_HEADING = 300
/** How many letters of a cell are shown of the first rows. */
const SHOWN_LETTERS = 200

export const DELIMITERS = [',', ';', '\t', '|'] as const
export type Delimiter = (typeof DELIMITERS)[number]

/** How a file is laid out, as its beginning shows. */
export interface Layout {
  encoding: Encoding
  delimiter: Delimiter
  /** The record that holds the headings, counted from 0; what stands above it is preamble. */
  headerRecord: number
  /** The line of the file on which the headings stand, counted from 1. */
  headerLine: number
  headings: string[]
  /** The first records below the headings. */
  sample: string[][]
  /** Per column: what its dates say of their order. */
  dateOrders: (DateOrder | 'ambiguous' | 'none')[]
  /**
   * Per column: the signs between the numbers of its dates; more than one is more than one notation, which is asked
   * about. Absent in files of before.
   */
  dateSigns?: string[][]
  decimal: DecimalSign
  /** Per column: what its cells hold; absent in files of before this was looked at. */
  contents?: ColumnContent[]
  /** Of a workbook: the sheet that is read, and how many there are. */
  sheet?: { name: string; of: number }
  /** Whether the rows were opened from JSON. */
  isJson?: true
}

/**
 * The delimiter under which a file has headings and the largest share of its rows is as wide as these: a comma between
 * thousands, or within a remark, parts rows too, but has no headings above them, or leaves most rows as they were.
 */
export function chooseDelimiter(recordsBy: ReadonlyMap<Delimiter, string[][]>): Delimiter {
  let best: { delimiter: Delimiter; score: number } = { delimiter: ',', score: 0 }
  for (const [delimiter, records] of recordsBy) {
    const header = headerOf(records)
    const width = header < 0 ? 0 : records[header]!.length
    const share =
      header < 0 ? 0 : records.slice(header).filter(({ length }) => length === width).length / records.length
    const score = share * 1000 + Math.min(width, 40)
    if (score > best.score) best = { delimiter, score }
  }
  return best.delimiter
}

/**
 * Which record holds the headings: the first that is as wide as most and names its columns in words; −1 where there is
 * none.
 */
function headerOf(records: readonly string[][]): number {
  const { width } = commonWidth(records)
  return records.findIndex((cells) => {
    const named = cells.filter((cell) => cell.trim() !== '')
    return (
      cells.length >= Math.max(2, width) &&
      named.filter(isTextual).length >= Math.max(2, Math.ceil(named.length * 0.75))
    )
  })
}

function commonWidth(records: readonly string[][]): { width: number; count: number } {
  const counts = new Map<number, number>()
  for (const { length } of records) counts.set(length, (counts.get(length) ?? 0) + 1)
  const [width, count] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0])[0] ?? [0, 0]
  return { width, count }
}

const isTextual = (cell: string): boolean => /\p{L}/u.test(cell) && !/^\d/.test(cell.trim())

/**
 * Finds the headings and what the columns look like.
 *
 * @param records  the first records of the file under its delimiter
 * @param lines    the line on which each of them ends
 * @throws         Unreadable when no record looks like headings
 */
export function describeLayout(
  records: readonly string[][],
  lines: readonly number[],
  encoding: Encoding,
  delimiter: Delimiter,
): Layout {
  const headerRecord = headerOf(records)
  if (headerRecord < 0)
    throw new Unreadable(
      'No row looks like headings. The file needs a row that names its columns, for example "Date, Impressions, Reach".',
    )
  const headings = records[headerRecord]!.map((heading) => heading.trim())
  if (headings.length > MOST_COLUMNS)
    throw new Unreadable(
      `The file has ${headings.length.toLocaleString('en')} columns; ${MOST_COLUMNS} are the most. Leave out those that hold no figure.`,
    )
  const long = headings.findIndex(({ length }) => length > LONGEST_HEADING)
  if (long >= 0)
    throw new Unreadable(
      `The heading of column ${long + 1} has ${headings[long]!.length.toLocaleString('en')} letters; ${LONGEST_HEADING} are the most.`,
    )
  const sample = records
    .slice(headerRecord + 1, headerRecord + 201)
    .map((cells) => cells.slice(0, MOST_COLUMNS).map((cell) => cell.slice(0, SHOWN_LETTERS)))
  const column = (index: number) => sample.map((cells) => cells[index] ?? '')
  const numbers = headings.flatMap((_, index) => (detectDateOrder(column(index)) === 'none' ? column(index) : []))
  return {
    encoding,
    delimiter,
    headerRecord,
    headerLine: lines[headerRecord] ?? headerRecord + 1,
    headings,
    sample,
    dateOrders: headings.map((_, index) =>
      dateSigns(column(index)).length > 1 ? 'ambiguous' : detectDateOrder(column(index)),
    ),
    dateSigns: headings.map((_, index) => dateSigns(column(index))),
    decimal: detectDecimalSign(numbers),
  }
}

/** Small letters without accents, whatever stood between the words. */
const simple = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replaceAll('ß', 'ss')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()

/** What each word is used for: one word can name things of different datasets. */
const SYNONYMS = new Map<string, Target[]>()
for (const [target, words] of Object.entries(HEADING_WORDS))
  for (const word of words) SYNONYMS.set(word, [...(SYNONYMS.get(word) ?? []), target])

/** Which target of a dataset a heading names, by the names that the catalogue and the trade have for it. */
export function guessTarget(heading: string, dataset: Dataset = PROFILE_DAY): Target {
  const words = simple(heading)
  const targets = importTargets(dataset)
  const found = targets.find(({ value, name }) => simple(value) === words || simple(name) === words)
  if (found) return found.value
  const isTarget = (target: Target | undefined) => targets.some(({ value }) => value === target)
  const metric = CATALOGUE.find(
    (candidate) => candidate.kind === 'flow' && candidate.parts.length === 1 && simple(candidate.name) === words,
  )
  if (metric?.kind === 'flow' && isTarget(metric.parts[0]!.column)) return metric.parts[0]!.column
  const synonyms = SYNONYMS.get(words) ?? []
  return synonyms.find(isTarget) ?? ''
}

/** A first guess for every column; a target that two columns claim goes to the first. */
export function guessTargets(headings: readonly string[], dataset: Dataset = PROFILE_DAY): Target[] {
  const taken = new Set<Target>()
  return headings.map((heading) => {
    const target = guessTarget(heading, dataset)
    if (target === '' || taken.has(target)) return ''
    taken.add(target)
    return target
  })
}

/**
 * Which dataset the headings of a file are of: the one of which all that a row needs is there, and most else; daily
 * figures where none is.
 *
 * @example guessDataset(['Date', 'Page', 'Views', 'Unique views']).id // 'site_page_day'
 */
export function guessDataset(headings: readonly string[]): Dataset {
  let best = { dataset: PROFILE_DAY, count: guessTargets(headings).filter(Boolean).length }
  for (const dataset of FILE_DATASETS) {
    const targets = guessTargets(headings, dataset)
    const isWhole = importTargets(dataset).every(({ value, isRequired }) => !isRequired || targets.includes(value))
    const hasFigure = dataset.measures.some(({ column }) => targets.includes(column))
    const count = targets.filter(Boolean).length
    if (isWhole && hasFigure && count > best.count) best = { dataset, count }
  }
  return best.dataset
}
