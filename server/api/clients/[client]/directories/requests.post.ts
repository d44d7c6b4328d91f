import { setResponseStatus } from 'h3'
import { entryRequestsSchema } from '../../../../../shared/read/directories'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { askForEntries } from '../../../../read/directories/entryRequests'

/** Asks directories for entries of places that they do not have. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { items } = await bodyOf(event, entryRequestsSchema)
  setResponseStatus(event, 202)
  return { jobs: await askForEntries(db, items, person.id) }
})
