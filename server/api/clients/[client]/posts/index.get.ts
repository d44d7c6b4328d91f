import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { postListSchema } from '../../../../../shared/read/postList'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { postList } from '../../../../read/content/postList'
import { resolveScope } from '../../../../figures/resolveScope'

/** The next posts of a scope in an order. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = postListSchema.validateSync(query)
  return await sendRemembered(event, db, async (db) => postList(db, await resolveScope(db, scope), asked))
})
