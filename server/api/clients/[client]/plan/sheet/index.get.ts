import { getQuery } from 'h3'
import { planSpanSchema } from '../../../../../../shared/plan/plannedPosts'
import { sendTables } from '../../../../../platform/http/sendTables'
import { clientRoute } from '../../../../../platform/http/route'
import { planTable } from '../../../../../plan/posts/planSheet'
import { plannedIn } from '../../../../../plan/posts/planView'

/** What is planned between two days as a file that can be brought back. */
export default clientRoute('work', async ({ event, db }) => {
  const { from, to } = planSpanSchema.validateSync(getQuery(event), { stripUnknown: true })
  const table = await planTable(db, await plannedIn(db, from, to))
  return sendTables(event, `${db.name}, plan, ${from} to ${to}`, [table])
})
