import { endOtherSessions } from '../../../platform/people/sessions'
import { personRoute } from '../../../platform/http/route'

/** Ends every other session of the person. */
export default personRoute(async ({ person, session }) => {
  await endOtherSessions(person, session)
  return { ok: true }
})
