import { getQuery } from 'h3'
import { planSpanSchema } from '../../../../../shared/plan/plannedPosts'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { planOf } from '../../../../plan/posts/planView'

/** What is planned between two days, and what has no time yet. */
export default clientRoute('work', async ({ event, db }) => {
  const { from, to } = planSpanSchema.validateSync(getQuery(event), { stripUnknown: true })
  return await sendRemembered(event, db, (then) => planOf(then, from, to))
})
