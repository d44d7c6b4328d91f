import { unzipSync } from 'fflate'
import readWorkbook from 'read-excel-file/node'
import { cellText, type WorkbookCell } from '../../../core/imports/cellText'
import { MOST_COLUMNS } from '../../../core/imports/layout'
import { Unreadable } from '../../../core/unreadable'
import { LARGEST_WORKBOOK_BYTES } from '../../../shared/gather/imports'

/** How large a workbook may be when it is unpacked: its sheets are read in memory. */
const LARGEST_UNPACKED_BYTES = 80 * 1024 * 1024
const SAY_SMALLER = 'Save the sheet as CSV and bring that, or split it by year.'

/** The sheet of a workbook that is read, its rows as text. */
export interface WorkbookSheet {
  name: string
  /** How many sheets the workbook has. */
  of: number
  rows: string[][]
}

/** What is said of a workbook that is too large to be taken. */
export const tooLargeWorkbook = (): string =>
  `A workbook can have ${LARGEST_WORKBOOK_BYTES / 1024 ** 2} MB at the most. ${SAY_SMALLER}`

/** Whether a file begins as a workbook (Office Open XML, ISO/IEC 29500: a ZIP archive) does. */
export const isWorkbook = (beginning: Buffer): boolean =>
  beginning.subarray(0, 4).equals(Buffer.from('PK\u0003\u0004', 'latin1'))

/**
 * The sheet with the most rows of a workbook.
 *
 * @param asText  how a cell becomes text; a row stays one line of text, unless it is said otherwise
 * @throws Unreadable when it is no workbook, is too large when it is unpacked, or has no rows
 */
export async function readSheet(
  content: Buffer,
  asText: (cell: WorkbookCell) => string = cellText,
): Promise<WorkbookSheet> {
  refuseTooLarge(content)
  const sheets = await readWorkbook(content).catch((error: unknown) => {
    throw new Unreadable(
      'This is an archive or a damaged workbook. Open it in a spreadsheet, save it as a workbook or as CSV, and bring that.',
      { cause: error },
    )
  })
  const largest = sheets.reduce(
    (most, sheet) => (sheet.data.length > most.data.length ? sheet : most),
    sheets[0] ?? { sheet: '', data: [] },
  )
  if (largest.data.length === 0) throw new Unreadable('The workbook has no rows.')
  const width = largest.data.reduce((most, { length }) => Math.max(most, length), 0)
  if (width > MOST_COLUMNS)
    throw new Unreadable(
      `The sheet “${largest.sheet}” has ${width.toLocaleString('en')} columns; ${MOST_COLUMNS} are the ` +
        'most. Leave out those that hold no figure.',
    )
  return {
    name: largest.sheet,
    of: sheets.length,
    rows: largest.data.map((cells) => cells.map((cell) => asText(cell as WorkbookCell))),
  }
}

/** Adds up what the archive says of its parts, without unpacking any. */
function refuseTooLarge(content: Buffer): void {
  if (content.length > LARGEST_WORKBOOK_BYTES) throw new Unreadable(tooLargeWorkbook())
  let unpacked = 0
  try {
    unzipSync(content, { filter: ({ originalSize }) => ((unpacked += originalSize), false) })
  } catch (error) {
    throw new Unreadable('This is a damaged archive, not a workbook. Bring the file again, or save the sheet as CSV.', {
      cause: error,
    })
  }
  if (unpacked > LARGEST_UNPACKED_BYTES)
    throw new Unreadable(
      `The workbook is larger than ${LARGEST_UNPACKED_BYTES / 1024 ** 2} MB when it is unpacked. ${SAY_SMALLER}`,
    )
}
