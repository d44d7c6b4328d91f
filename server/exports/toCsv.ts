import { stringify } from 'csv-stringify/sync'
import { neutral, type Table } from './table'

/**
 * A table as CSV (RFC 4180): UTF-8 with a byte order mark, which spreadsheets need to read it as such; numbers with a point and no grouping;
 * text between quotes; formulas neutralised.
 */
export function toCsv({ columns, rows }: Table): string {
  const cells = rows.map((row) => row.map((cell) => (typeof cell === 'string' ? neutral(cell) : cell ?? '')))
  return stringify([columns.map(({ title }) => neutral(title)), ...cells], { bom: true, record_delimiter: 'windows', quoted_string: true })
}
