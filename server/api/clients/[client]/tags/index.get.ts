import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { tagsOf } from '../../../../read/tags/tags'

export default clientRoute('figures', async ({ event, db }) => await sendRemembered(event, db, (db) => tagsOf(db)))
