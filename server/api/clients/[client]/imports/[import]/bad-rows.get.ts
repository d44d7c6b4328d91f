import { setResponseHeader } from 'h3'
import { stringify } from 'csv-stringify/sync'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { nameFile } from '../../../../../platform/http/sendTables'
import { badRowsOf, importById } from '../../../../../gather/imports/store'
import { BAD_ROWS_KEPT } from '../../../../../gather/imports/importCheck'

/**
 * The bad rows as a file that can be mended and brought back: the columns of the original, then the line and the
 * reason. It has the delimiter of the original, and every cell stands between quotes, so that no sign in a cell is
 * taken for one between cells.
 */
export default clientRoute('work', async ({ event, db }) => {
  const view = await importById(db, idParam(event, 'import', 'import'))
  const rows = await badRowsOf(db, view.id, BAD_ROWS_KEPT)
  const headings = view.layout?.headings ?? []
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  nameFile(event, `${view.fileName.replace(/\.\w+$/, '')}, bad rows`, 'csv')
  return stringify(
    [
      [...headings, 'Line in file', 'What is wrong'],
      ...rows.map(({ line, reason, cells }) => [
        ...headings.map((_, index) => cells[index] ?? ''),
        String(line),
        reason,
      ]),
    ],
    { bom: true, quoted: true, quoted_empty: true, delimiter: view.layout?.delimiter ?? ',', escape_formulas: true },
  )
})
