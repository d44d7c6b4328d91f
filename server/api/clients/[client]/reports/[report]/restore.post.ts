import { clientRoute, idParam } from '../../../../../http/route'
import { removeReport } from '../../../../../reports/reports'

export default clientRoute('write', async ({ event, db }) => {
  await removeReport(db, idParam(event, 'report', 'report'), false)
  return { ok: true }
})
