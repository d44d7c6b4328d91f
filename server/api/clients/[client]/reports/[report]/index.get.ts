import { clientRoute, idParam } from '../../../../../http/route'
import { composeReport } from '../../../../../reports/content'
import { reportById } from '../../../../../reports/reports'

/** A report with the figures of its period, live. */
export default clientRoute('read', async ({ event, db }) => {
  const report = await reportById(db, idParam(event, 'report', 'report'))
  return { report, content: await composeReport(db, report) }
})
