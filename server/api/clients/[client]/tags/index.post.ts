import { setResponseStatus } from 'h3'
import { tagSchema } from '../../../../../shared/read/tags'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addTag } from '../../../../read/tags/tags'

export default clientRoute('write', async ({ event, db, person }) => {
  const tag = await bodyOf(event, tagSchema)
  setResponseStatus(event, 201)
  return { id: await addTag(db, tag, person.id) }
})
