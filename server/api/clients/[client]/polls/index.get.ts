import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { pollsOf } from '../../../../read/audience/polls'

/** The polls and surveys that were written down. */
export default clientRoute('figures', ({ event, db }) => sendRemembered(event, db, (db) => pollsOf(db)))
