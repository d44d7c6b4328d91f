import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { removeOne } from '../../../../../../plan/posts/plannedPosts'

export default clientRoute('write', async ({ event, db }) => {
  await removeOne(db, idParam(event, 'post', 'planned post'), false)
  return { ok: true }
})
