import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { placesQuerySchema } from '../../../../../shared/read/places'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { placesPage } from '../../../../read/places/placesPage'

/** The places of a client, or those of a group, beside each other. */
export default clientRoute('places', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { group } = placesQuerySchema.validateSync(query, { stripUnknown: true })
  return await sendRemembered(event, db, async (db) => await placesPage(db, await resolveScope(db, scope), group))
})
