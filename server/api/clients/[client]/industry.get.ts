import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { industryOf } from '../../../compare/industry/industry'
import { resolveScope } from '../../../figures/resolveScope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'

/** The client's profiles beside the figures of its industry. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async (db) => await industryOf(db, await resolveScope(db, scope)))
})
