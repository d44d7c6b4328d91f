import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { endsSchema } from '../../../../../shared/read/endsBlock'
import { postFilterOf } from '../../../../../shared/read/postFilter'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { endsOf } from '../../../../read/content/ends'
import { resolveScope } from '../../../../figures/resolveScope'

/** The best and the worst posts of a scope beside each other. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { by, rows, ...asked } = endsSchema.validateSync(query)
  return await sendRemembered(event, db, async (db) =>
    endsOf(db, await resolveScope(db, scope), { by, rows, filter: postFilterOf(asked) }),
  )
})
