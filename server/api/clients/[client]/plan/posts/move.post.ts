import { moveManySchema } from '../../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { movePlanned } from '../../../../../plan/posts/plannedPosts'

/** Moves many posts by days, and to another time of the day. */
export default clientRoute('write', async ({ event, db }) => {
  const { ids, ...how } = await bodyOf(event, moveManySchema)
  return { before: await movePlanned(db, ids, how) }
})
