import { setResponseStatus } from 'h3'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { askForCheck } from '../../../../../read/ranks/askForCheck'

/** Looks now, whatever the rhythm says. */
export default clientRoute('write', async ({ event, db, person }) => {
  setResponseStatus(event, 202)
  return { job: await askForCheck(db, idParam(event, 'watch', 'keyword'), person.id) }
})
