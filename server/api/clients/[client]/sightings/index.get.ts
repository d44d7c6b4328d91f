import { getQuery } from 'h3'
import { sightingsSchema } from '../../../../../shared/compare/sightings'
import { parseScope } from '../../../../../shared/figures/scope'
import { sightingsOf } from '../../../../compare/field/sightings'
import { resolveScope } from '../../../../figures/resolveScope'
import { clientRoute } from '../../../../platform/http/route'

/** What rivals were seen to do within a period that is not as usual. */
export default clientRoute('rivals', async ({ event, db }) => {
  const query = getQuery(event)
  const { period } = await resolveScope(db, parseScope(query))
  const { sightings } = sightingsSchema.validateSync(query, { stripUnknown: true })
  return await sightingsOf(db, sightings === 'all', period)
})
