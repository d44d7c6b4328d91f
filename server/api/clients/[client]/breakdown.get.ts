import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { breakdownsOf } from '../../../read/overview/breakdown'
import { resolveScope } from '../../../figures/resolveScope'

/** A figure of a scope by its parts, and which breakdowns its networks give. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  return await sendRemembered(
    event,
    db,
    async (db) => await breakdownsOf(db, await resolveScope(db, scope), String(query.breakdown ?? '')),
  )
})
