import { getQuery } from 'h3'
import { orderPosts } from '../../../../../shared/postOrder'
import { parseScope } from '../../../../../shared/scope'
import { aboutScope } from '../../../../exports/about'
import { tableOf } from '../../../../exports/tableOf'
import { clientRoute } from '../../../../http/route'
import { sendTables } from '../../../../http/sendTables'
import { listPosts } from '../../../../work/content'
import { resolveScope } from '../../../../work/resolveScope'

/** Every post of a scope as CSV or XLSX, in the order and of the format that the page shows. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = await resolveScope(db, parseScope(query))
  const posts = (await listPosts(db, scope)).filter(({ format }) => typeof query.only !== 'string' || format === query.only)
  const order = String(query.order ?? 'newest')
  const table = tableOf({ kind: 'posts', id: '', title: '', comment: '', order, posts: orderPosts(posts, order) }, db.timeZone)!
  return await sendTables(event, 'Posts', [table], aboutScope(db, scope))
})
