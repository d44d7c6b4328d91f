import { route } from '../../http/route'

export default route(async (event) => {
  await clearUserSession(event)
  return { ok: true }
})
