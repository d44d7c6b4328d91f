import { clientRoute, idParam } from '../../../../../platform/http/route'
import { removeReport } from '../../../../../report/reports/reports'

export default clientRoute('write', async ({ event, db }) => {
  await removeReport(db, idParam(event, 'report', 'report'), true)
  return { ok: true }
})
