import { getQuery } from 'h3'
import { clientRoute } from '../../../../../platform/http/route'
import { listFiles } from '../../../../../plan/posts/planFiles'

/** The newest pictures and videos. */
export default clientRoute('work', async ({ event, db }) => ({
  files: await listFiles(db, String(getQuery(event).words ?? '').slice(0, 80)),
}))
