import { clientRoute, idParam } from '../../../../../http/route'
import { sendPdf } from '../../../../../http/sendPdf'
import { editionById } from '../../../../../reports/editions'

export default clientRoute('read', async ({ event, db }) => sendPdf(event, db, await editionById(db, idParam(event, 'edition', 'edition'))))
