import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { sendRemembered } from '../../../http/remembering'
import { clientRoute } from '../../../http/route'
import { splitsOf } from '../../../work/parts'
import { resolveScope } from '../../../work/resolveScope'

/** A figure of a scope by its parts, and which of its figures its networks split. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  return await sendRemembered(event, db, async () => await splitsOf(db, await resolveScope(db, scope), String(query.split ?? '')))
})
