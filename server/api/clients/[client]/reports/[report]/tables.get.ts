import { getQuery } from 'h3'
import { aboutContent } from '../../../../../report/editions/aboutContent'
import { tableOf } from '../../../../../report/blocks/tableOf'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { sendTables } from '../../../../../platform/http/sendTables'
import { composeReport } from '../../../../../report/blocks/composeReport'
import { reportById } from '../../../../../report/reports/reports'

/** The tables of a report as they are now: all of them as a workbook, or one block's as CSV. */
export default clientRoute('reports', async ({ event, db, released }) => {
  const report = await reportById(db, idParam(event, 'report', 'report'))
  const { block } = getQuery(event)
  const content = await composeReport(
    db,
    { ...report, blocks: report.blocks.filter(({ id }) => typeof block !== 'string' || id === block) },
    { rivals: released.includes('rivals') },
  )
  return await sendTables(
    event,
    report.title,
    content.blocks.flatMap((each) => tableOf(each, db.timeZone) ?? []),
    aboutContent(content),
  )
})
