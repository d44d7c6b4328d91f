// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the bundle has no types of its own, and every project that reads this file needs them
/// <reference path="./exceljs.d.ts" />
// the package's own bundle: its many parts are not all found again by the server's build
import ExcelJS from 'exceljs/dist/exceljs.bare.min.js'
import { valueOf, type Cell, type CellKind, type Table } from './table'

const FORMATS: Record<CellKind, string> = { text: '@', count: '#,##0', number: '#,##0.00', share: '0.0%', day: 'yyyy-mm-dd', instant: 'yyyy-mm-dd hh:mm' }
const WIDEST = 60

/**
 * Tables as a workbook (Office Open XML), a sheet each. Every cell has a type: ids and words are text, which no spreadsheet runs, days are dates, instants
 * are the date and time of the client's zone (a date cell has none of its own), shares are percentages.
 */
export async function toXlsx(tables: readonly Table[]): Promise<Buffer> {
  const book = new ExcelJS.Workbook()
  const taken = new Set<string>()
  for (const table of tables) {
    const sheet = book.addWorksheet(sheetName(table.name, taken), { views: [{ state: 'frozen', ySplit: 1 }] })
    sheet.columns = table.columns.map(({ title, kind }, index) => ({
      header: title, style: { numFmt: FORMATS[kind] },
      width: Math.min(WIDEST, Math.max(title.length, ...table.rows.slice(0, 200).map((row) => String(valueOf(row[index]) ?? '').length)) + 2),
    }))
    sheet.getRow(1).font = { bold: true }
    for (const row of table.rows) {
      const added = sheet.addRow(row.map((cell, index) => typed(cell, table.columns[index]!.kind)))
      row.forEach((cell, index) => {
        if (cell !== null && typeof cell === 'object') added.getCell(index + 1).numFmt = FORMATS[cell.kind]
      })
    }
  }
  return Buffer.from(await book.xlsx.writeBuffer())
}

/** A cell's value as the workbook wants it: dates by the clock of the client's zone. */
function typed(cell: Cell, kind: CellKind): string | number | Date | null {
  const value = valueOf(cell)
  if (typeof value !== 'string' || value === '') return value === '' ? null : value
  if (kind === 'day') return new Date(`${value}T00:00:00Z`)
  return kind === 'instant' ? new Date(`${value.slice(0, 19)}Z`) : value
}

/** A sheet's name: 31 characters at the most, without the signs that are not allowed, and no other sheet's. */
function sheetName(name: string, taken: Set<string>): string {
  const plain = name.replace(/[\\/*?:[\]']/g, ' ').replace(/\s+/g, ' ').trim().slice(0, 31) || 'Table'
  let unique = plain
  for (let number = 2; taken.has(unique.toLowerCase()); number++) unique = `${plain.slice(0, 31 - String(number).length - 1)} ${number}`
  taken.add(unique.toLowerCase())
  return unique
}
