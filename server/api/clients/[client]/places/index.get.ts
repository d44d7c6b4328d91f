import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { placesIn } from '../../../../read/places/insights'

/** The places of a client beside each other. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async (db) => await placesIn(db, await resolveScope(db, scope)))
})
