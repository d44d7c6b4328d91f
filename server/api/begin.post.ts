import { getRequestHeader, setResponseStatus } from 'h3'
import { beginSchema } from '../../shared/platform/agency'
import { giveSession } from '../platform/http/giveSession'
import { bodyOf, route } from '../platform/http/route'
import { visitorAddress } from '../platform/http/visitorAddress'
import { beginAgency } from '../platform/people/agency'

/** Names the first agency; its owner is signed in. */
export default route(async (event) => {
  const owner = await beginAgency(await bodyOf(event, beginSchema))
  await giveSession(event, owner, {
    address: visitorAddress(event.node.req),
    browser: getRequestHeader(event, 'user-agent') ?? '',
  })
  setResponseStatus(event, 201)
  return { ok: true }
})
