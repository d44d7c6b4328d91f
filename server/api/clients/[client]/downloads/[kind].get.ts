import { getQuery, getRouterParam } from 'h3'
import { blockSchema, parseScope } from '../../../../../shared/scope'
import { tableOf } from '../../../../exports/tableOf'
import { clientRoute } from '../../../../http/route'
import { sendTables } from '../../../../http/sendTables'
import { fill } from '../../../../reports/content'
import { resolveScope } from '../../../../work/resolveScope'

/** What a part of a page shows, as CSV or XLSX: the same table that a report's block of that kind would have. */
export default clientRoute('read', async ({ event, db }) => {
  const query = getQuery(event)
  const list = (value: unknown) => (typeof value === 'string' && value !== '' ? value.split(',') : [])
  const block = await blockSchema.validate({ id: 'download', kind: getRouterParam(event, 'kind'), metrics: list(query.metrics), option: query.option ?? '' })
  const table = tableOf(await fill(db, await resolveScope(db, parseScope(query)), block), db.timeZone)
  return await sendTables(event, `${db.slug} ${table?.name ?? ''}`, table ? [table] : [])
})
