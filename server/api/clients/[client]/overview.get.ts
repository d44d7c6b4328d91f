import { getQuery } from 'h3'
import { columnsSchema, headlinesSchema, parseScope } from '../../../../shared/scope'
import { sendRemembered } from '../../../http/remembering'
import { clientRoute } from '../../../http/route'
import { GROUPINGS, overview } from '../../../work/overview'
import { resolveScope } from '../../../work/resolveScope'

export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const asked = {
    metric: String(query.metric ?? 'impressions'), figures: String(query.figures ?? ''), by: GROUPINGS.find((by) => by === query.by),
    ...(typeof query.headlines === 'string' && query.headlines !== '' && { headlines: headlinesSchema.validateSync(query.headlines.split(',')) }),
    ...(typeof query.columns === 'string' && query.columns !== '' && { columns: columnsSchema.validateSync(query.columns.split(',')) }),
    ...(typeof query.second === 'string' && { second: query.second }),
  }
  const scope = parseScope(query)
  return await sendRemembered(event, db, async () => await overview(db, await resolveScope(db, scope), asked))
})
