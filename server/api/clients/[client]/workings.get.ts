import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { resolveScope } from '../../../work/resolveScope'
import { workings } from '../../../work/workings'

export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  return await workings(db, await resolveScope(db, parseScope(query)), String(query.metric ?? ''))
})
