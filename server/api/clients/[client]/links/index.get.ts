import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { linksSchema } from '../../../../../shared/read/links'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { linksIn } from '../../../../read/links/links'

/** The tracked links with their clicks in the period. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { rows } = linksSchema.validateSync(query)
  return await sendRemembered(event, db, async (db) => await linksIn(db, await resolveScope(db, scope), rows))
})
