import { getQuery } from 'h3'
import { parseScope } from '../../../../../../shared/figures/scope'
import { resolveScope } from '../../../../../figures/resolveScope'
import { sendRemembered } from '../../../../../figures/sendRemembered'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { placeInsights } from '../../../../../read/places/insights'

/** One place: its record, and what its listing brought. */
export default clientRoute('places', async ({ event, db }) => {
  const id = idParam(event, 'place', 'place')
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async (db) => await placeInsights(db, await resolveScope(db, scope), id))
})
