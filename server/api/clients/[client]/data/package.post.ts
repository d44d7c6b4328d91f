import { setResponseStatus } from 'h3'
import { keepPackage } from '../../../../gather/data/takePackage'
import { clientRoute } from '../../../../platform/http/route'

/** Takes a client's package in, as the body of the request; it is written by a job. */
export default clientRoute('write', async ({ event, db, person }) => {
  await keepPackage(db, event.node.req, person.id)
  setResponseStatus(event, 202)
  return { ok: true }
})
