import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { occasionsSchema } from '../../../../../shared/read/occasionsBlock'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { occasionsOf } from '../../../../read/tags/byTag'

/** An occasion over the years, by its tag. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const { tag, on, before, after } = occasionsSchema.validateSync(query)
  const asked = { ...(tag && { tag }), days: on === '' ? [] : on.split(','), before, after }
  return await sendRemembered(event, db, async (db) => await occasionsOf(db, await resolveScope(db, scope), asked))
})
