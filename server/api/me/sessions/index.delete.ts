import { endOtherSessions } from '../../../auth/sessions'
import { personRoute } from '../../../http/route'

/** Ends every other session of the person. */
export default personRoute(async ({ person, session }) => {
  await endOtherSessions(person, session)
  return { ok: true }
})
