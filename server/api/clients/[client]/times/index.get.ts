import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { timesSchema } from '../../../../../shared/read/times'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { thisHour, timesOf } from '../../../../read/times/times'

/** When to post: true for the hour that it is. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = timesSchema.validateSync(query, { stripUnknown: true })
  const at = thisHour()
  return await sendRemembered(
    event,
    db,
    async (db) => await timesOf(db, await resolveScope(db, scope), asked, at),
    String(at),
  )
})
