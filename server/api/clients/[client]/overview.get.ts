import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { GROUPINGS } from '../../../../shared/read/overview'
import { columnsSchema, headlinesSchema } from '../../../../shared/read/overviewChoices'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { overview } from '../../../read/overview/overview'
import { resolveScope } from '../../../figures/resolveScope'

export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const asked = {
    metric: String(query.metric ?? 'impressions'),
    figures: String(query.figures ?? ''),
    by: GROUPINGS.find((by) => by === query.by),
    ...(typeof query.headlines === 'string' &&
      query.headlines !== '' && { headlines: headlinesSchema.validateSync(query.headlines.split(',')) }),
    ...(typeof query.columns === 'string' &&
      query.columns !== '' && { columns: columnsSchema.validateSync(query.columns.split(',')) }),
    ...(typeof query.second === 'string' && { second: query.second }),
  }
  const scope = parseScope(query)
  return await sendRemembered(event, db, async (db) => await overview(db, await resolveScope(db, scope), asked))
})
