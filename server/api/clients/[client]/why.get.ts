import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { sendRemembered } from '../../../http/remembering'
import { clientRoute } from '../../../http/route'
import { resolveScope } from '../../../work/resolveScope'
import { why } from '../../../work/why'

export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  return await sendRemembered(event, db, async () => await why(db, await resolveScope(db, scope), String(query.metric ?? 'impressions')))
})
