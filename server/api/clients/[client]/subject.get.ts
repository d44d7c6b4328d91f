import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { sendRemembered } from '../../../http/remembering'
import { clientRoute } from '../../../http/route'
import { resolveScope } from '../../../work/resolveScope'
import { subject } from '../../../work/subject'

/** A metric's change beside that of the whole networks and of the field. */
export default clientRoute('figures', async ({ event, db, released }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const withRivals = released.includes('rivals')
  return await sendRemembered(event, db, async () => await subject(db, await resolveScope(db, scope), String(query.metric ?? 'impressions'), withRivals), withRivals ? '' : 'without rivals')
})
