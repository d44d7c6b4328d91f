import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { resolveScope } from '../../../work/resolveScope'
import { subject } from '../../../work/subject'

/** A metric's change beside that of the whole networks and of the field. */
export default clientRoute('read', async ({ event, db }) => {
  const query = getQuery(event)
  return await subject(db, await resolveScope(db, parseScope(query)), String(query.metric ?? 'impressions'))
})
