import { plannedIdsSchema } from '../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { removePlanned } from '../../../../../plan/posts/plannedPosts'

export default clientRoute('write', async ({ event, db }) => {
  const { ids } = await bodyOf(event, plannedIdsSchema)
  return { posts: await removePlanned(db, ids, false) }
})
