import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { overview } from '../../../work/overview'
import { resolveScope } from '../../../work/resolveScope'

export default clientRoute('read', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = await resolveScope(db, parseScope(query))
  return await overview(db, scope, String(query.metric ?? 'impressions'))
})
