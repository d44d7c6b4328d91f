import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { clientRoute } from '../../../platform/http/route'
import { resolveScope } from '../../../figures/resolveScope'
import { workings } from '../../../read/overview/workings'

export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  return await workings(db, await resolveScope(db, parseScope(query)), String(query.metric ?? ''))
})
