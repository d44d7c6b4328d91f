import { getQuery } from 'h3'
import { clientRoute } from '../../../../../platform/http/route'
import { keptFiles } from '../../../../../plan/posts/planFiles'

/** The newest pictures and videos. */
export default clientRoute('work', async ({ event, db }) => ({
  files: await keptFiles(db, String(getQuery(event).words ?? '').slice(0, 80)),
}))
