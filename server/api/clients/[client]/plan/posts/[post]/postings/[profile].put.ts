import { decideSchema } from '../../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam } from '../../../../../../../platform/http/route'
import { decide } from '../../../../../../../plan/publishing/decide'

/** Says what becomes of a post with one profile. */
export default clientRoute('write', async ({ event, db, person }) => {
  const decision = await bodyOf(event, decideSchema)
  await decide(db, idParam(event, 'post', 'planned post'), idParam(event, 'profile', 'profile'), decision, person.name)
  return { ok: true }
})
