import { getRequestHeader } from 'h3'
import { signInSchema } from '../../../shared/platform/people'
import { signIn } from '../../platform/people/people'
import { giveSession } from '../../platform/http/giveSession'
import { bodyOf, route } from '../../platform/http/route'
import { visitorAddress } from '../../platform/http/visitorAddress'

export default route(async (event) => {
  const { email, password } = await bodyOf(event, signInSchema)
  const address = visitorAddress(event.node.req)
  const person = await signIn(email, password, address)
  await giveSession(event, person.id, { address, browser: getRequestHeader(event, 'user-agent') ?? '' })
  return { name: person.name }
})
