import { setResponseHeader } from 'h3'
import { stringify } from 'csv-stringify/sync'
import { clientRoute, idParam } from '../../../../../http/route'
import { badRowsOf, importById } from '../../../../../imports/store'
import { BAD_ROWS_KEPT } from '../../../../../jobs/importCheck'

/** The bad rows as a file that can be mended and brought back: the columns of the original, then the line and the reason. */
export default clientRoute('read', async ({ event, db }) => {
  const view = await importById(db, idParam(event, 'import', 'import'))
  const rows = await badRowsOf(db, view.id, BAD_ROWS_KEPT)
  const headings = view.layout?.headings ?? []
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="bad-rows-${view.id}.csv"`)
  return stringify([
    [...headings, 'Line in file', 'What is wrong'],
    ...rows.map(({ line, reason, cells }) => [...headings.map((_, index) => cells[index] ?? ''), line, reason]),
  ], { bom: true, escape_formulas: true })
})
