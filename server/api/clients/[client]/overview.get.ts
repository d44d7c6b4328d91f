import { getQuery } from 'h3'
import { lastCompleteDay } from '../../../../core/days/lastCompleteDay'
import { parseScope } from '../../../../shared/scope'
import { now } from '../../../clock'
import { clientRoute, sendJson } from '../../../http/route'
import { GROUPINGS, overview } from '../../../work/overview'
import { remembered } from '../../../work/remembered'
import { resolveScope } from '../../../work/resolveScope'

export default clientRoute('read', async ({ event, db }) => {
  const query = getQuery(event)
  const asked = {
    metric: String(query.metric ?? 'impressions'), figures: String(query.figures ?? ''), by: GROUPINGS.find((by) => by === query.by),
    ...(typeof query.second === 'string' && { second: query.second }),
  }
  const scopeQuery = parseScope(query)
  const key = JSON.stringify(['overview', scopeQuery, asked, lastCompleteDay(now(), db.timeZone)])
  return sendJson(event, await remembered(db, key, async () => await overview(db, await resolveScope(db, scopeQuery), asked)))
})
