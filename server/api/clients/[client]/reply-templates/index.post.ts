import { setResponseStatus } from 'h3'
import { templateSchema } from '../../../../../shared/read/reviews'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addTemplate } from '../../../../read/reviews/replies'

export default clientRoute('write', async ({ event, db }) => {
  const template = await bodyOf(event, templateSchema)
  setResponseStatus(event, 201)
  return { id: await addTemplate(db, template) }
})
