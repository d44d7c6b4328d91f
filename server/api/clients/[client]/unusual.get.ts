import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { resolveScope } from '../../../figures/resolveScope'
import { oddDays, unusual } from '../../../read/unusual/unusual'

/** The unusual days in one metric, or in every one, by their causes. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  return await sendRemembered(event, db, async (db) => {
    const resolved = await resolveScope(db, scope)
    return query.metric === 'all'
      ? await oddDays(db, resolved)
      : await unusual(db, resolved, String(query.metric ?? 'impressions'))
  })
})
