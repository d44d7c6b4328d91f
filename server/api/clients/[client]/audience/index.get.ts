import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { audienceSchema } from '../../../../../shared/read/audience'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { audienceOf } from '../../../../read/audience/audience'

/** Who follows, was reached and responded. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { facet } = audienceSchema.validateSync(query)
  return await sendRemembered(event, db, async (db) => await audienceOf(db, await resolveScope(db, scope), facet))
})
