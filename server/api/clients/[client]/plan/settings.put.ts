import { planSettingsSchema } from '../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { setPlanSettings } from '../../../../plan/posts/planSettings'

export default clientRoute('write', async ({ event, db }) => {
  await setPlanSettings(db, await bodyOf(event, planSettingsSchema))
  return { ok: true }
})
