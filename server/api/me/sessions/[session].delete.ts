import { endSession } from '../../../auth/sessions'
import { idParam, personRoute } from '../../../http/route'

export default personRoute(async ({ event, person }) => {
  await endSession(person, idParam(event, 'session', 'session'))
  return { ok: true }
})
