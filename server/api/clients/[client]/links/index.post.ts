import { getRequestURL, setResponseStatus } from 'h3'
import { linkSchema } from '../../../../../shared/read/links'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addLink } from '../../../../read/links/links'

export default clientRoute('write', async ({ event, db, person }) => {
  const link = await bodyOf(event, linkSchema)
  setResponseStatus(event, 201)
  return await addLink(db, link, person.id, getRequestURL(event).host)
})
