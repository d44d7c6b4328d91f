import { setResponseStatus } from 'h3'
import { clientSchema } from '../../../shared/agency'
import { bodyOf, ownerRoute } from '../../http/route'
import { addClient } from '../../work/agency'

export default ownerRoute(async ({ event, person }) => {
  const slug = await addClient(person, await bodyOf(event, clientSchema))
  setResponseStatus(event, 201)
  return { slug }
})
