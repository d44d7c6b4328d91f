import { getRequestHeader, setResponseStatus } from 'h3'
import { beginSchema } from '../../shared/agency'
import { giveSession } from '../http/giveSession'
import { bodyOf, route } from '../http/route'
import { visitorAddress } from '../http/visitorAddress'
import { beginAgency } from '../work/agency'

/** Names the first agency; its owner is signed in. */
export default route(async (event) => {
  const owner = await beginAgency(await bodyOf(event, beginSchema))
  await giveSession(event, owner, { address: visitorAddress(event.node.req), browser: getRequestHeader(event, 'user-agent') ?? '' })
  setResponseStatus(event, 201)
  return { ok: true }
})
