import { byHandSchema } from '../../../../../../shared/read/byHand'
import { bodyOf, clientRoute, idParam, LARGE_BODY } from '../../../../../platform/http/route'
import { tagByHand } from '../../../../../read/tags/tags'

/** Sets a tag on posts by hand, or takes it away; answers which were changed by it. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { posts, isSet } = await bodyOf(event, byHandSchema, LARGE_BODY)
  return { changed: await tagByHand(db, idParam(event, 'tag', 'tag'), posts, isSet, person.id) }
})
