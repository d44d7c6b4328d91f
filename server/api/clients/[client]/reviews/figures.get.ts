import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { resolveScope } from '../../../../figures/resolveScope'
import { clientRoute } from '../../../../platform/http/route'
import { reviewsOf } from '../../../../read/reviews/reviews'

/** What the reviews of a scope come to. How long answers take depends on the hour, so that nothing is remembered. */
export default clientRoute('places', async ({ event, db, released }) =>
  reviewsOf(db, await resolveScope(db, parseScope(getQuery(event))), released.includes('rivals')),
)
