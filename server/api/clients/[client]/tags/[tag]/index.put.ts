import { tagSchema } from '../../../../../../shared/read/tags'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeTag } from '../../../../../read/tags/tags'

export default clientRoute('write', async ({ event, db }) => {
  await changeTag(db, idParam(event, 'tag', 'tag'), await bodyOf(event, tagSchema))
  return { ok: true }
})
