import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { targetsOf } from '../../../../read/targets/targets'

export default clientRoute('figures', async ({ event, db }) => await sendRemembered(event, db, (db) => targetsOf(db)))
