import { weeklySlotsSchema } from '../../../../../shared/plan/weeklySlots'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { setWeeklySlots, weeklySlots } from '../../../../plan/posts/weeklySlots'

export default clientRoute('write', async ({ event, db }) => {
  await setWeeklySlots(db, (await bodyOf(event, weeklySlotsSchema)).slots)
  return await weeklySlots(db)
})
