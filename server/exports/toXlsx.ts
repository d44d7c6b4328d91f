// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the bundle has no types of its own, and every project that reads this file needs them
/// <reference path="./exceljs.d.ts" />
// the package's own bundle: its many parts are not all found again by the server's build
import ExcelJS from 'exceljs/dist/exceljs.bare.min.js'
import { neutral, type CellKind, type Table } from './table'

const FORMATS: Record<CellKind, string> = { text: '@', count: '#,##0', number: '#,##0.00', share: '0.0%', day: '@' }
const WIDEST = 60

/**
 * Tables as a workbook (Office Open XML), a sheet each. Ids and days are text cells, so that nothing turns them into numbers or other dates; no cell
 * is a formula.
 */
export async function toXlsx(tables: readonly Table[]): Promise<Buffer> {
  const book = new ExcelJS.Workbook()
  const taken = new Set<string>()
  for (const table of tables) {
    const sheet = book.addWorksheet(sheetName(table.name, taken), { views: [{ state: 'frozen', ySplit: 1 }] })
    sheet.columns = table.columns.map(({ title, kind }, index) => ({
      header: neutral(title), style: { numFmt: FORMATS[kind] },
      width: Math.min(WIDEST, Math.max(title.length, ...table.rows.slice(0, 200).map((row) => String(row[index] ?? '').length)) + 2),
    }))
    sheet.getRow(1).font = { bold: true }
    for (const row of table.rows) sheet.addRow(row.map((cell) => (typeof cell === 'string' ? neutral(cell) : cell ?? null)))
  }
  return Buffer.from(await book.xlsx.writeBuffer())
}

/** A sheet's name: 31 characters at the most, without the signs that are not allowed, and no other sheet's. */
function sheetName(name: string, taken: Set<string>): string {
  const plain = name.replace(/[\\/*?:[\]']/g, ' ').replace(/\s+/g, ' ').trim().slice(0, 31) || 'Table'
  let unique = plain
  for (let number = 2; taken.has(unique.toLowerCase()); number++) unique = `${plain.slice(0, 31 - String(number).length - 1)} ${number}`
  taken.add(unique.toLowerCase())
  return unique
}
