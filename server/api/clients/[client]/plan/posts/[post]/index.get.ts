import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { readersOf } from '../../../../../../plan/posts/planLinks'
import { plannedPost } from '../../../../../../plan/posts/planView'
import { outcomesOf } from '../../../../../../plan/posts/usualTimes'

export default clientRoute('work', async ({ event, db, person }) => {
  const id = idParam(event, 'post', 'planned post')
  const post = await plannedPost(db, id, person)
  return { ...post, readers: await readersOf(db, id), outcomes: await outcomesOf(db, id) }
})
