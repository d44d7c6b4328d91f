import { getRequestHeader } from 'h3'
import { signInSchema } from '../../../shared/scope'
import { signIn } from '../../auth/people'
import { giveSession } from '../../http/giveSession'
import { bodyOf, route } from '../../http/route'
import { visitorAddress } from '../../http/visitorAddress'

export default route(async (event) => {
  const { email, password } = await bodyOf(event, signInSchema)
  const address = visitorAddress(event.node.req)
  const person = await signIn(email, password, address)
  await giveSession(event, person.id, { address, browser: getRequestHeader(event, 'user-agent') ?? '' })
  return { name: person.name }
})
