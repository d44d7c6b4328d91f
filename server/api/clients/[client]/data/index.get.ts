import { sendRemembered } from '../../../../figures/sendRemembered'
import { whatIsKept } from '../../../../gather/data/whatIsKept'
import { clientRoute } from '../../../../platform/http/route'

/** What is kept of a client's data. */
export default clientRoute('work', ({ event, db }) => sendRemembered(event, db, (db) => whatIsKept(db)))
