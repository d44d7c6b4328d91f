import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { audienceLineSchema } from '../../../../../shared/read/audience'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { audienceLines } from '../../../../read/audience/audience'

/** A part of the audience over time. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { facet, part } = audienceLineSchema.validateSync(query)
  return await sendRemembered(
    event,
    db,
    async (db) => await audienceLines(db, await resolveScope(db, scope), facet, part),
  )
})
