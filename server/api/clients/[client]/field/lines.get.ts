import { getQuery } from 'h3'
import { fieldLinesSchema } from '../../../../../shared/compare/fieldLines'
import { parseScope } from '../../../../../shared/figures/scope'
import { fieldLines } from '../../../../compare/field/fieldLines'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'

/** The client and its rivals week by week. */
export default clientRoute('rivals', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = fieldLinesSchema.validateSync(query, { stripUnknown: true })
  return await sendRemembered(event, db, async (db) => await fieldLines(db, await resolveScope(db, scope), asked))
})
