import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { now } from '../../../../platform/clock'
import { dayAt } from '../../../../../core/days/lastCompleteDay'
import { clientRoute } from '../../../../platform/http/route'
import { ranksIn } from '../../../../read/ranks/ranks'

/** Where the places of a client stand in the searches that are looked at. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(
    event,
    db,
    async (db) => await ranksIn(db, await resolveScope(db, scope)),
    dayAt(now(), db.timeZone),
  )
})
