import { sendTables } from '../../../../../platform/http/sendTables'
import { clientRoute } from '../../../../../platform/http/route'
import { planTemplate } from '../../../../../plan/posts/planSheet'

/** An empty plan to be filled in. */
export default clientRoute('work', async ({ event, db }) =>
  sendTables(event, 'plan to fill in', [await planTemplate(db)]),
)
