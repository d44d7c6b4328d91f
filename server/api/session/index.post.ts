import { signInSchema } from '../../../shared/scope'
import { signIn } from '../../auth/people'
import { bodyOf, route } from '../../http/route'
import { getRequestIP } from 'h3'

export default route(async (event) => {
  const { email, password } = await bodyOf(event, signInSchema)
  const person = await signIn(email, password, getRequestIP(event) ?? 'unknown')
  await replaceUserSession(event, { user: { id: person.id } })
  return { name: person.name }
})
