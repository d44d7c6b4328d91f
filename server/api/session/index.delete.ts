import { endSessionOf } from '../../platform/people/sessions'
import { route } from '../../platform/http/route'

/** Ends the session here, where it counts, and takes the cookie away. */
export default route(async (event) => {
  const { secure } = await getUserSession(event)
  if (typeof secure?.token === 'string') await endSessionOf(secure.token)
  await clearUserSession(event)
  return { ok: true }
})
