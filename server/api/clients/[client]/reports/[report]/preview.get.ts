import { clientRoute, idParam } from '../../../../../platform/http/route'
import { previewOf } from '../../../../../report/issuing/preview'

/** The next edition exactly as it would be issued now, and what is missing in it. */
export default clientRoute('write', async ({ event, db }) => await previewOf(db, idParam(event, 'report', 'report')))
