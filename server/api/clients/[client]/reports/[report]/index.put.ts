import { reportSchema } from '../../../../../../shared/scope'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { composeReport, type ReportDefinition } from '../../../../../reports/content'
import { saveReport } from '../../../../../reports/reports'

/** Saves a report, once it is known that it can be filled. */
export default clientRoute('write', async ({ event, db }) => {
  const report = await bodyOf(event, reportSchema)
  await composeReport(db, report as ReportDefinition)
  return { version: await saveReport(db, idParam(event, 'report', 'report'), report) }
})
