import { getQuery } from 'h3'
import { aboutContent } from '../../../../../exports/about'
import { tableOf } from '../../../../../exports/tableOf'
import { clientRoute, idParam } from '../../../../../http/route'
import { sendTables } from '../../../../../http/sendTables'
import { composeReport } from '../../../../../reports/content'
import { reportById } from '../../../../../reports/reports'

/** The tables of a report as they are now: all of them as a workbook, or one block's as CSV. */
export default clientRoute('reports', async ({ event, db, released }) => {
  const report = await reportById(db, idParam(event, 'report', 'report'))
  const { block } = getQuery(event)
  const content = await composeReport(db, { ...report, blocks: report.blocks.filter(({ id }) => typeof block !== 'string' || id === block) }, { rivals: released.includes('rivals') })
  return await sendTables(event, report.title, content.blocks.flatMap((each) => tableOf(each, db.timeZone) ?? []), aboutContent(content))
})
