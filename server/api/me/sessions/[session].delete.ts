import { endSession } from '../../../platform/people/sessions'
import { idParam, personRoute } from '../../../platform/http/route'

export default personRoute(async ({ event, person }) => {
  await endSession(person, idParam(event, 'session', 'session'))
  return { ok: true }
})
