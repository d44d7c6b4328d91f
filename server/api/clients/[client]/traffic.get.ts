import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { resolveScope } from '../../../figures/resolveScope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { trafficOf } from '../../../read/traffic/traffic'

/** Who came to the client's sites, to which pages, and from where. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async (db) => await trafficOf(db, await resolveScope(db, scope)))
})
