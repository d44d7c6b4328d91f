import { setResponseStatus } from 'h3'
import { linkPageSchema } from '../../../../../shared/read/links'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addLinkPage } from '../../../../read/links/linkPages'

export default clientRoute('write', async ({ event, db, person }) => {
  const page = await bodyOf(event, linkPageSchema)
  setResponseStatus(event, 201)
  return await addLinkPage(db, page, person.id)
})
