import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { formatsSchema } from '../../../../../shared/read/formatsBlock'
import { postFilterOf } from '../../../../../shared/read/postFilter'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { formatsOf } from '../../../../read/content/ends'
import { resolveScope } from '../../../../figures/resolveScope'

/** The formats of a scope's posts beside each other. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { by, ...asked } = formatsSchema.validateSync(query)
  return await sendRemembered(event, db, async (db) =>
    formatsOf(db, await resolveScope(db, scope), by, postFilterOf(asked)),
  )
})
