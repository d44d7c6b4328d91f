import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { reviewFilterSchema } from '../../../../../shared/read/reviews'
import { resolveScope } from '../../../../figures/resolveScope'
import { clientRoute } from '../../../../platform/http/route'
import { listReviews } from '../../../../read/reviews/listReviews'

/** The reviews of a scope, page by page. Whether one is late depends on the hour, so that nothing is remembered. */
export default clientRoute('places', async ({ event, db, person }) => {
  const query = getQuery(event)
  const filter = await reviewFilterSchema.validate(query, { stripUnknown: true })
  return await listReviews(db, await resolveScope(db, parseScope(query)), filter, person.role !== 'viewer')
})
