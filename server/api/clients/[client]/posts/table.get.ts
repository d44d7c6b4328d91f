import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { postListSchema } from '../../../../../shared/read/postList'
import { aboutScope } from '../../../../figures/aboutScope'
import { clientRoute } from '../../../../platform/http/route'
import { sendTables } from '../../../../platform/http/sendTables'
import { wholePostList } from '../../../../read/content/postList'
import { postTable } from '../../../../read/content/postsBlock'
import { resolveScope } from '../../../../figures/resolveScope'

/** Every post of a scope as CSV or XLSX, in the order and of the format that the page shows. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = await resolveScope(db, parseScope(query))
  const posts = await wholePostList(db, scope, postListSchema.validateSync(query))
  const table = postTable(posts, db.timeZone)
  return await sendTables(event, 'Posts', [table], aboutScope(db, scope))
})
