import { getQuery } from 'h3'
import { aboutContent } from '../../../../../report/editions/aboutContent'
import { tableOf } from '../../../../../report/blocks/tableOf'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { sendTables } from '../../../../../platform/http/sendTables'
import { editionById } from '../../../../../report/editions/editions'

/** The tables of an edition as they were frozen: all of them as a workbook, or one block's as CSV. */
export default clientRoute('read', async ({ event, db }) => {
  const edition = await editionById(db, idParam(event, 'edition', 'edition'))
  const { block } = getQuery(event)
  const tables = edition.content.blocks
    .filter(({ id }) => typeof block !== 'string' || id === block)
    .flatMap((each) => tableOf(each, edition.content.timeZone ?? 'UTC') ?? [])
  return await sendTables(event, edition.title, tables, aboutContent(edition.content, edition))
})
