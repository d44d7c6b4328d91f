import { Unreadable } from '../unreadable'
import { MOST_COLUMNS } from './layout'

/** How deep within a file its rows are looked for, and how deep within a row its cells are. */
const DEEPEST = 4

/** How many rows are taken, and how many cells: all of them stand in memory at once. */
const MOST_ROWS = 1_000_000
const MOST_CELLS = 10_000_000
const SAY_SMALLER = 'Bring them as CSV, or split them by year.'

type Fields = Readonly<Record<string, unknown>>
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * The rows of a JSON text (RFC 8259) as a table: its longest list of objects, however it is wrapped. What stands within
 * an object has a column of its own, named by the way to it; a list of words is one cell. A list of lists is a table as
 * it is.
 *
 * @param value  the parsed text, its numbers still as they were written: ids keep all their digits
 * @returns      the headings, then the rows
 * @throws       Unreadable when there is no such list, or its rows have too many columns
 * @example      jsonRows({ data: [{ day: '2026-10-28', counts: { views: '12' } }] })
 * // [['day', 'counts.views'], ['2026-10-28', '12']]
 */
export function jsonRows(value: unknown): string[][] {
  const list = longestList(value, DEEPEST)
  if (list && list.length > MOST_ROWS)
    throw new Unreadable(
      `The file has ${list.length.toLocaleString('en')} rows; ${MOST_ROWS.toLocaleString('en')} are the most. ${SAY_SMALLER}`,
    )
  if (!list) throw new Unreadable('The file holds no list of rows: a list of objects whose names are the headings.')
  if (list.every(Array.isArray)) return list.map((row) => (row as unknown[]).map(cellOf))
  const rows = list.filter(isFields).map((row) => new Map(cellsOf(row, '', DEEPEST)))
  const headings = [...new Set(rows.flatMap((row) => [...row.keys()]))]
  if (headings.length > MOST_COLUMNS)
    throw new Unreadable(
      `The rows of the file have ${headings.length.toLocaleString('en')} different names; ${MOST_COLUMNS} are the most.`,
    )
  if (headings.length * rows.length > MOST_CELLS)
    throw new Unreadable(
      `The file has ${rows.length.toLocaleString('en')} rows of ${headings.length} names: too many at once. ${SAY_SMALLER}`,
    )
  return [headings, ...rows.map((row) => headings.map((heading) => row.get(heading) ?? ''))]
}

/** The longest list of rows: of objects, or of lists. */
function longestList(value: unknown, deepest: number): unknown[] | undefined {
  if (Array.isArray(value))
    return value.length > 0 && (value.every(isFields) || value.every(Array.isArray)) ? value : undefined
  if (!isFields(value) || deepest === 0) return undefined
  return Object.values(value)
    .flatMap((inner) => [longestList(inner, deepest - 1) ?? []])
    .reduce<unknown[] | undefined>(
      (longest, list) => (list.length > (longest?.length ?? 0) ? list : longest),
      undefined,
    )
}

function* cellsOf(fields: Fields, way: string, deepest: number): Generator<[string, string]> {
  for (const [name, value] of Object.entries(fields))
    if (isFields(value)) {
      if (deepest > 1) yield* cellsOf(value, `${way}${name}.`, deepest - 1)
    } else yield [`${way}${name}`, cellOf(value)]
}

/** A value as a cell: one line, as a row of a table is one. */
const cellOf = (value: unknown): string =>
  value === null || value === undefined || isFields(value)
    ? ''
    : Array.isArray(value)
      ? value
          .map(cellOf)
          .filter((text) => text !== '')
          .join(' ')
      : String(value).replace(/[\r\n]+/g, ' ')
