import { siteNames } from '../../../../figures/questions/siteNames'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'

/** The sites of the client by name. */
export default clientRoute('figures', ({ event, db }) => sendRemembered(event, db, (db) => siteNames(db)))
