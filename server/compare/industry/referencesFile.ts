import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { ValidationError } from 'yup'
import { plainText, safeText } from '../../../core/datasets/packageText'
import { ofPercent } from '../../../core/format/ofPercent'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { readDay } from '../../../core/days/readDay'
import { REFERENCE_MEASURES, referenceMeasure } from '../../../core/industry/reference'
import { NETWORKS, networkById } from '../../../core/networks/networks'
import { Unreadable } from '../../../core/unreadable'
import {
  MOST_REFERENCES,
  referenceSchema,
  type KeptReference,
  type ReferenceInput,
  type ReferencesFile,
} from '../../../shared/compare/industry'
import { referenceWords } from '../../../shared/compare/industryWords'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { addReference, referencesOf } from './references'

const HEADINGS = [
  'Measure',
  'Network',
  'Followers from',
  'Followers below',
  'Lower quartile',
  'Median',
  'Upper quartile',
  'Source',
  'Date',
  'Invented',
] as const
/** Those that a file has to have. */
const NEEDED: readonly (typeof HEADINGS)[number][] = ['Measure', 'Median', 'Source', 'Date']

/** The figures of a client as a file that can be brought back: shares in percent, decimals with a point. */
export async function referencesAsCsv(db: ClientDb): Promise<string> {
  const rows = (await referencesOf(db)).map((one) => {
    const { name, unit } = referenceMeasure(one.measure)
    const written = (value: number | undefined) =>
      value === undefined ? '' : unit === 'share' ? `${Number((100 * value).toPrecision(12))} %` : String(value)
    return [
      name,
      one.network === '' ? '' : networkById(one.network).name,
      one.from ?? '',
      one.below ?? '',
      written(one.lower),
      written(one.middle),
      written(one.upper),
      safeText(one.source),
      one.day,
      one.isInvented ? 'yes' : '',
    ]
  })
  return stringify([[...HEADINGS], ...rows])
}

/**
 * What a file of figures brings: those that are there already stay as they are, others are added, and rows that cannot be
 * taken are refused one by one, with the number of their row. Nothing is written before it was looked at.
 *
 * @param isTaken  whether it is written
 * @throws         Unreadable when the file as a whole has no meaning
 */
export async function referencesFile(db: ClientDb, text: string, isTaken: boolean): Promise<ReferencesFile> {
  const rows = rowsOf(text)
  const known = new Set((await referencesOf(db)).map(keyOf))
  const result: ReferencesFile = { added: [], same: 0, refused: [] }
  const wanted: ReferenceInput[] = []
  rows.forEach((cells, index) => {
    try {
      const given = readRow(cells)
      if (known.has(keyOf(given))) return void result.same++
      known.add(keyOf(given))
      wanted.push(given)
      result.added.push({ words: referenceWords(asKept(given), 'en-GB') })
    } catch (error) {
      if (!(error instanceof ValidationError) && !(error instanceof Unreadable)) throw error
      // the headings are row 1
      result.refused.push({ row: index + 2, reason: error.message })
    }
  })
  if (!isTaken) return result
  const ids = await db.transaction(async (inside) => {
    const made: number[] = []
    for (const given of wanted) made.push(await addReference(inside, given))
    return made
  })
  return { ...result, added: result.added.map(({ words }, index) => ({ words, id: ids[index]! })) }
}

/** The rows of a table by its headings. */
function rowsOf(text: string): Map<string, string>[] {
  const trimmed = text.replace(/^\uFEFF/, '').trimStart()
  const head = trimmed.split('\n', 1)[0] ?? ''
  const delimiter = head.includes('\t') ? '\t' : head.includes(';') ? ';' : ','
  let table: string[][]
  try {
    table = parse(trimmed, { delimiter, relax_column_count: true, skip_empty_lines: true, max_record_size: 10_000 })
  } catch (error) {
    throw new Unreadable(`The file cannot be read as a table: ${(error as Error).message}`)
  }
  const [headings = [], ...body] = table
  const places = headings.map((heading) => HEADINGS.find((name) => name.toLowerCase() === heading.trim().toLowerCase()))
  const missing = NEEDED.filter((name) => !places.includes(name))
  if (missing.length > 0)
    throw new Unreadable(
      `The file lacks ${missing.map((name) => `“${name}”`).join(', ')}. Its headings are ${HEADINGS.join(', ')}.`,
    )
  if (body.length > MOST_REFERENCES) throw new Unreadable(`A file can bring ${MOST_REFERENCES} figures at the most.`)
  return body.map(
    (row) => new Map(places.flatMap((name, index) => (name ? [[name, plainText((row[index] ?? '').trim())]] : []))),
  )
}

function readRow(cells: ReadonlyMap<string, string>): ReferenceInput {
  const cell = (name: (typeof HEADINGS)[number]) => cells.get(name) ?? ''
  const named = <T extends { id: string; name: string }>(all: readonly T[], given: string, what: string): T => {
    const found = all.find(({ id, name }) => [id, name.toLowerCase()].includes(given.toLowerCase()))
    if (!found)
      throw new Unreadable(`There is no ${what} “${given}”. There are ${all.map(({ name }) => name).join(', ')}.`)
    return found
  }
  const measure = named(REFERENCE_MEASURES, cell('Measure'), 'measure')
  const number = (text: string) => (text === '' ? null : numberOf(text))
  const value = (text: string) => {
    if (text === '' || measure.unit !== 'share') return number(text)
    if (!text.endsWith('%'))
      throw new Unreadable(`Write “${text}” in percent, with its sign: 2.1 % is clear, 0.021 is not.`)
    return ofPercent(numberOf(text.slice(0, -1).trim()))
  }
  const day = readDay(cell('Date'), dayAt(now(), 'UTC'))
  return referenceSchema.validateSync({
    measure: measure.id,
    network: cell('Network') === '' ? '' : named(NETWORKS, cell('Network'), 'network').id,
    from: number(cell('Followers from')),
    below: number(cell('Followers below')),
    lower: value(cell('Lower quartile')),
    middle: value(cell('Median')) ?? undefined,
    upper: value(cell('Upper quartile')),
    source: cell('Source'),
    day,
    isInvented: /^(yes|true|1)$/i.test(cell('Invented')),
  })
}

/** A number of a file: decimals have a point, thousands a comma or nothing. */
function numberOf(text: string): number {
  if (!/^-?(\d+|\d{1,3}(,\d{3})+)(\.\d+)?$/.test(text))
    throw new Unreadable(`“${text}” is no number as a file has it: 1,234.5 with a point before the decimals.`)
  return Number(text.replaceAll(',', ''))
}

/** What a figure is about and from where: a second one of the same is the same figure. */
const keyOf = (one: ReferenceInput | KeptReference): string =>
  JSON.stringify([
    one.measure,
    one.network,
    one.from ?? null,
    one.below ?? null,
    one.lower ?? null,
    one.middle,
    one.upper ?? null,
    one.source,
    one.day,
  ])

function asKept({ from, below, lower, upper, ...given }: ReferenceInput): Omit<KeptReference, 'id'> {
  return {
    ...given,
    ...(from !== null && { from }),
    ...(below !== null && { below }),
    ...(lower !== null && { lower }),
    ...(upper !== null && { upper }),
  }
}
