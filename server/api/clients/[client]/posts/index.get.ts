import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { listPosts } from '../../../../read/content/listPosts'
import { resolveScope } from '../../../../figures/resolveScope'

export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async () => await listPosts(db, await resolveScope(db, scope)))
})
