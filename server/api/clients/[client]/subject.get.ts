import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { resolveScope } from '../../../figures/resolveScope'
import { subject } from '../../../read/overview/subject'

/** A metric's change beside that of the whole networks and of the field. */
export default clientRoute('figures', async ({ event, db, released }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const withRivals = released.includes('rivals')
  return await sendRemembered(
    event,
    db,
    async (db) => await subject(db, await resolveScope(db, scope), String(query.metric ?? 'impressions'), withRivals),
    withRivals ? '' : 'without rivals',
  )
})
