import { setResponseStatus } from 'h3'
import { clientRoute } from '../../../../platform/http/route'
import { askForPoll } from '../../../../read/directories/entriesDue'

/** Has every directory looked at now. */
export default clientRoute('write', async ({ event, db, person }) => {
  setResponseStatus(event, 202)
  return { jobs: await askForPoll(db, person.id) }
})
