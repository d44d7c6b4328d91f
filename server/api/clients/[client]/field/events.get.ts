import { getQuery } from 'h3'
import { fieldEventsSchema } from '../../../../../shared/compare/fieldEvents'
import { parseScope } from '../../../../../shared/figures/scope'
import { fieldEvents } from '../../../../compare/field/fieldEvents'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'

/** An event that comes again, through the client and its rivals. */
export default clientRoute('rivals', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = fieldEventsSchema.validateSync(query, { stripUnknown: true })
  return await sendRemembered(event, db, async (db) => await fieldEvents(db, await resolveScope(db, scope), asked))
})
