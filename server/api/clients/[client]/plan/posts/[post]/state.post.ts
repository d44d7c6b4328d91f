import { moveSchema } from '../../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { plannedById } from '../../../../../../plan/posts/plannedRows'
import { movePost } from '../../../../../../plan/posts/plannedStates'
import { slotPromise } from '../../../../../../plan/posts/usualTimes'

/** Moves a post on or back; when it is scheduled, what its slot promises is kept with it. */
export default clientRoute('write', async ({ event, db, person }) => {
  const id = idParam(event, 'post', 'planned post')
  const move = await bodyOf(event, moveSchema)
  const { plannedAt } = await plannedById(db, id)
  const promise = move.to === 'scheduled' && plannedAt ? await slotPromise(db, plannedAt.getTime()) : undefined
  return { state: await movePost(db, id, move, person, promise) }
})
