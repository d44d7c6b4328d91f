import { getRequestHeader } from 'h3'
import { passwordSchema } from '../../../shared/scope'
import { changePassword } from '../../auth/people'
import { giveSession } from '../../http/giveSession'
import { bodyOf, personRoute } from '../../http/route'
import { visitorAddress } from '../../http/visitorAddress'

/** Changes the person's password. All their sessions end, and this browser is given a new one. */
export default personRoute(async ({ event, person }) => {
  const { current, password } = await bodyOf(event, passwordSchema)
  await changePassword(person, current, password)
  await giveSession(event, person.id, { address: visitorAddress(event.node.req), browser: getRequestHeader(event, 'user-agent') ?? '' })
  return { ok: true }
})
