import { dayAt } from '../../../../../../core/days/lastCompleteDay'
import { sendRemembered } from '../../../../../figures/sendRemembered'
import { now } from '../../../../../platform/clock'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { placeEntries } from '../../../../../read/directories/directories'

/** The entries of a place, field by field. */
export default clientRoute('places', ({ event, db }) => {
  const id = idParam(event, 'place', 'place')
  return sendRemembered(event, db, (db) => placeEntries(db, id), dayAt(now(), db.timeZone))
})
