import { setResponseStatus } from 'h3'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { copyReport } from '../../../../../report/reports/reports'

/** A report of its own with the same blocks; editions stay with the one that they were issued of. */
export default clientRoute('write', async ({ event, db }) => {
  const id = await copyReport(db, idParam(event, 'report', 'report'))
  setResponseStatus(event, 201)
  return { id }
})
