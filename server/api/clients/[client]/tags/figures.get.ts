import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { byTag } from '../../../../read/tags/byTag'

/** The posts of a scope by their tags. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async (db) => await byTag(db, await resolveScope(db, scope)))
})
