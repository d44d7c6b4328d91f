import { getQuery } from 'h3'
import { orderPosts } from '../../../../../shared/read/postOrder'
import { parseScope } from '../../../../../shared/figures/scope'
import { aboutScope } from '../../../../figures/aboutScope'
import { clientRoute } from '../../../../platform/http/route'
import { sendTables } from '../../../../platform/http/sendTables'
import { listPosts } from '../../../../read/content/listPosts'
import { postTable } from '../../../../read/content/postsBlock'
import { resolveScope } from '../../../../figures/resolveScope'

/** Every post of a scope as CSV or XLSX, in the order and of the format that the page shows. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = await resolveScope(db, parseScope(query))
  const posts = (await listPosts(db, scope)).filter(
    ({ format }) => typeof query.only !== 'string' || format === query.only,
  )
  const order = String(query.order ?? 'newest')
  const table = postTable(orderPosts(posts, order), db.timeZone)
  return await sendTables(event, 'Posts', [table], aboutScope(db, scope))
})
