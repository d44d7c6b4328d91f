import { plannedTimesSchema } from '../../../../../../shared/plan/weeklySlots'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { setTimes } from '../../../../../plan/posts/plannedPosts'

/** Puts each of several posts at its time, or takes it from it. */
export default clientRoute('write', async ({ event, db }) => {
  await setTimes(db, (await bodyOf(event, plannedTimesSchema)).times)
  return { ok: true }
})
