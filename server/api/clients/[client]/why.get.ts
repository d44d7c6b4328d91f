import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { resolveScope } from '../../../figures/resolveScope'
import { why } from '../../../read/why/why'

export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  return await sendRemembered(
    event,
    db,
    async (db) => await why(db, await resolveScope(db, scope), String(query.metric ?? 'impressions')),
  )
})
