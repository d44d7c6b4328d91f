import { getQuery } from 'h3'
import { fieldSchema } from '../../../../../shared/compare/field'
import { parseScope } from '../../../../../shared/figures/scope'
import { fieldOf } from '../../../../compare/field/field'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'

/** The client and its rivals as one group, by what everybody can see of them. */
export default clientRoute('rivals', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = fieldSchema.validateSync(query, { stripUnknown: true })
  return await sendRemembered(event, db, async (db) => await fieldOf(db, await resolveScope(db, scope), asked))
})
