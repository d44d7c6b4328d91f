import { dayAt } from '../../../../../core/days/lastCompleteDay'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { now } from '../../../../platform/clock'
import { clientRoute } from '../../../../platform/http/route'
import { directories } from '../../../../read/directories/directories'

/** What directories say of the places of a client. */
export default clientRoute('places', ({ event, db }) =>
  sendRemembered(event, db, (db) => directories(db), dayAt(now(), db.timeZone)),
)
