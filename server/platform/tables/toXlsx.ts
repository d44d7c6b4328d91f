import { PassThrough, type Readable } from 'node:stream'
import writeWorkbook, { type Cell as SheetCell, type Sheet } from 'write-excel-file/node'
import { valueOf, type Cell, type CellKind, type Table } from './table'

const FORMATS: Record<CellKind, string> = {
  text: '@',
  count: '#,##0',
  number: '#,##0.00',
  share: '0.0%',
  day: 'yyyy-mm-dd',
  instant: 'yyyy-mm-dd hh:mm',
}
const WIDEST = 60

/**
 * Tables as a workbook (Office Open XML), a sheet each, as it is being written. Every cell has a type: ids and words
 * are text, which no spreadsheet runs, days are dates, instants are the date and time of the client's zone (a date cell
 * has none of its own), shares are percentages.
 */
export function toXlsx(tables: readonly Table[]): Readable {
  const taken = new Set<string>()
  const file = new PassThrough()
  writeWorkbook(
    tables.map(
      (table): Sheet<Buffer> => ({
        sheet: sheetName(table.name, taken),
        stickyRowsCount: 1,
        columns: table.columns.map(({ title }, index) => ({
          width: Math.min(
            WIDEST,
            Math.max(title.length, ...table.rows.slice(0, 200).map((row) => String(valueOf(row[index]) ?? '').length)) +
              2,
          ),
        })),
        data: [
          table.columns.map(({ title }) => ({ value: title, type: String, fontWeight: 'bold' as const })),
          ...table.rows.map((row) => table.columns.map(({ kind }, index) => typed(row[index], kind))),
        ],
      }),
    ),
  )
    .toStream(file)
    .catch((error: Error) => file.destroy(error))
  return file
}

/** A cell as the workbook wants it: dates by the clock of the client's zone. */
function typed(cell: Cell, columnKind: CellKind): SheetCell {
  const kind = cell !== null && typeof cell === 'object' ? cell.kind : columnKind
  const value = valueOf(cell)
  if (value === null || value === '') return null
  const format = FORMATS[kind]
  if (typeof value === 'number') return { value, type: Number, format: kind === 'text' ? FORMATS.number : format }
  if (kind === 'day') return { value: new Date(`${value}T00:00:00Z`), type: Date, format }
  if (kind === 'instant') return { value: new Date(`${value.slice(0, 19)}Z`), type: Date, format }
  return { value, type: String, format: FORMATS.text }
}

/** A sheet's name: 31 characters at the most, without the signs that are not allowed, and no other sheet's. */
function sheetName(name: string, taken: Set<string>): string {
  const plain =
    name
      .replace(/[\\/*?:[\]']/g, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 31) || 'Table'
  let unique = plain
  for (let number = 2; taken.has(unique.toLowerCase()); number++)
    unique = `${plain.slice(0, 31 - String(number).length - 1)} ${number}`
  taken.add(unique.toLowerCase())
  return unique
}
