import { changedPlannedSchema } from '../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam, LARGE_BODY } from '../../../../../../platform/http/route'
import { changePlanned } from '../../../../../../plan/posts/plannedPosts'

export default clientRoute('write', async ({ event, db, person }) => {
  const { version, ...input } = await bodyOf(event, changedPlannedSchema, LARGE_BODY)
  return await changePlanned(db, idParam(event, 'post', 'planned post'), input, version, person)
})
