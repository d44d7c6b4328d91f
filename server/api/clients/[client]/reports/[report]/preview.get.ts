import { clientRoute, idParam } from '../../../../../http/route'
import { previewOf } from '../../../../../reports/preview'

/** The next edition exactly as it would be issued now, and what is missing in it. */
export default clientRoute('write', async ({ event, db }) => await previewOf(db, idParam(event, 'report', 'report')))
