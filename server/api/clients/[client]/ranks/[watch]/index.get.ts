import { getQuery } from 'h3'
import { dayAt } from '../../../../../../core/days/lastCompleteDay'
import { parseScope } from '../../../../../../shared/figures/scope'
import { resolveScope } from '../../../../../figures/resolveScope'
import { sendRemembered } from '../../../../../figures/sendRemembered'
import { now } from '../../../../../platform/clock'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { rankView } from '../../../../../read/ranks/rankView'

/** One of what is looked for, over its points. */
export default clientRoute('figures', async ({ event, db }) => {
  const id = idParam(event, 'watch', 'keyword')
  const scope = parseScope(getQuery(event))
  return await sendRemembered(
    event,
    db,
    async (db) => await rankView(db, await resolveScope(db, scope), id),
    dayAt(now(), db.timeZone),
  )
})
