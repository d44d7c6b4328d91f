import { getRequestHeader } from 'h3'
import { passwordSchema } from '../../../shared/platform/people'
import { changePassword } from '../../platform/people/people'
import { giveSession } from '../../platform/http/giveSession'
import { bodyOf, personRoute } from '../../platform/http/route'
import { visitorAddress } from '../../platform/http/visitorAddress'

/** Changes the person's password. All their sessions end, and this browser is given a new one. */
export default personRoute(async ({ event, person }) => {
  const { current, password } = await bodyOf(event, passwordSchema)
  await changePassword(person, current, password)
  await giveSession(event, person.id, {
    address: visitorAddress(event.node.req),
    browser: getRequestHeader(event, 'user-agent') ?? '',
  })
  return { ok: true }
})
