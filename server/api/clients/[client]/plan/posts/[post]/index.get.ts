import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { plannedPost } from '../../../../../../plan/posts/planView'
import { outcomesOf } from '../../../../../../plan/posts/usualTimes'

export default clientRoute('work', async ({ event, db, person }) => {
  const id = idParam(event, 'post', 'planned post')
  const post = await plannedPost(db, id, person)
  return { ...post, outcomes: await outcomesOf(db, id) }
})
