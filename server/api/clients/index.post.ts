import { setResponseStatus } from 'h3'
import { clientSchema } from '../../../shared/platform/agency'
import { bodyOf, ownerRoute } from '../../platform/http/route'
import { addClient } from '../../platform/people/agency'

export default ownerRoute(async ({ event, person }) => {
  const slug = await addClient(person, await bodyOf(event, clientSchema))
  setResponseStatus(event, 201)
  return { slug }
})
