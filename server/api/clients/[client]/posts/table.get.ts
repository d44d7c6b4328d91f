import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { postColumnsOf, postListSchema } from '../../../../../shared/read/postList'
import { tagNames } from '../../../../figures/questions/postTags'
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
  const asked = postListSchema.validateSync(query)
  const posts = await wholePostList(db, scope, asked)
  const tags = new Map((await tagNames(db)).map(({ id, name }) => [id, name]))
  const table = postTable(posts, db.timeZone, { columns: postColumnsOf(asked.columns), tags })
  return await sendTables(event, 'Posts', [table], aboutScope(db, scope))
})
