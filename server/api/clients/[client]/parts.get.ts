import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'
import { splitsOf } from '../../../read/overview/parts'
import { resolveScope } from '../../../figures/resolveScope'

/** A figure of a scope by its parts, and which of its figures its networks split. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  return await sendRemembered(
    event,
    db,
    async () => await splitsOf(db, await resolveScope(db, scope), String(query.split ?? '')),
  )
})
