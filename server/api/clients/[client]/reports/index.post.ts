import { newReportSchema } from '../../../../../shared/report/reports'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addReport } from '../../../../report/reports/reports'

export default clientRoute('write', async ({ event, db }) => {
  const { title, blocks } = await bodyOf(event, newReportSchema)
  return { id: await addReport(db, title, blocks) }
})
