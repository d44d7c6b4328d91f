/** A cell of a workbook as it is typed there. */
export type WorkbookCell = string | number | boolean | Date | null

/**
 * A typed cell as the text that a file of text would hold: a date as its ISO day (ISO 8601), with its time where it has
 * one; a number with all of its digits and a decimal point. A whole number beyond those that a workbook can hold
 * exactly is written in scientific notation, as which it is refused: its last digits are lost.
 *
 * @example cellText(new Date(Date.UTC(2026, 9, 28))) // '2026-10-28'
 * @example cellText(10220431877650213987) // '1.0220431877650214e+19'
 */
export function cellText(cell: WorkbookCell): string {
  if (cell === null) return ''
  if (cell instanceof Date) {
    if (Number.isNaN(cell.getTime())) return ''
    const [day, time] = cell.toISOString().split('T')
    return time!.startsWith('00:00:00') ? day! : `${day} ${time!.slice(0, 8)}`
  }
  if (typeof cell === 'number')
    return Number.isInteger(cell) && Math.abs(cell) >= FIRST_INEXACT ? cell.toExponential() : String(cell)
  // a row of the workbook stays one line of the text, so that lines are its rows
  return String(cell).replace(/[\r\n]+/g, ' ')
}

/**
 * A workbook keeps fifteen digits of a number (common practice of spreadsheets); of more, the last are zeros or wrong.
 */
const FIRST_INEXACT = 1e15
