import { setResponseHeaders } from 'h3'
import { referencesAsCsv } from '../../../../compare/industry/referencesFile'
import { clientRoute } from '../../../../platform/http/route'

/** The figures of its industry that a client has, as a file that can be brought back. */
export default clientRoute('figures', async ({ event, db }) => {
  const text = await referencesAsCsv(db)
  setResponseHeaders(event, {
    'content-type': 'text/csv; charset=utf-8',
    'content-disposition': 'attachment; filename="industry.csv"',
  })
  return text
})
