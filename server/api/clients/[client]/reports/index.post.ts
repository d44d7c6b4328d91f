import { newReportSchema } from '../../../../../shared/scope'
import { bodyOf, clientRoute } from '../../../../http/route'
import { addReport } from '../../../../reports/reports'

export default clientRoute('write', async ({ event, db }) => {
  const { title, blocks } = await bodyOf(event, newReportSchema)
  return { id: await addReport(db, title, blocks) }
})
