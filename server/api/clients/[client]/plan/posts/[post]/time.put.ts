import { plannedTimeSchema } from '../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { placePlanned } from '../../../../../../plan/posts/plannedPosts'

/** Puts a post at another time. */
export default clientRoute('write', async ({ event, db }) => {
  const { at } = await bodyOf(event, plannedTimeSchema)
  await placePlanned(db, idParam(event, 'post', 'planned post'), at)
  return { ok: true }
})
