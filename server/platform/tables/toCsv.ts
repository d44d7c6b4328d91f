import { stringify } from 'csv-stringify/sync'
import { neutral, valueOf, type Table } from './table'

/**
 * A table as CSV (RFC 4180): UTF-8 with a byte order mark, which spreadsheets need to read it as such; numbers with a
 * point and no grouping, shares as parts of one; days and instants as ISO 8601; text between quotes; formulas
 * neutralised.
 */
export function toCsv({ columns, rows }: Table): string {
  const cells = rows.map((row) =>
    row.map((cell, index) => {
      const value = valueOf(cell) ?? ''
      return typeof value === 'string' && !isDate(columns[index]!.kind) ? neutral(value) : value
    }),
  )
  return stringify([columns.map(({ title }) => neutral(title)), ...cells], {
    bom: true,
    record_delimiter: 'windows',
    quoted_string: true,
  })
}

const isDate = (kind: string): boolean => kind === 'day' || kind === 'instant'
