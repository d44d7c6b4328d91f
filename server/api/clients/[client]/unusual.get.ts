import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { resolveScope } from '../../../work/resolveScope'
import { unusual } from '../../../work/unusual'

export default clientRoute('read', async ({ event, db }) => {
  const query = getQuery(event)
  return await unusual(db, await resolveScope(db, parseScope(query)), String(query.metric ?? 'impressions'))
})
