import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/scope'
import { sendRemembered } from '../../../../http/remembering'
import { clientRoute } from '../../../../http/route'
import { listPosts } from '../../../../work/content'
import { resolveScope } from '../../../../work/resolveScope'

export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async () => await listPosts(db, await resolveScope(db, scope)))
})
