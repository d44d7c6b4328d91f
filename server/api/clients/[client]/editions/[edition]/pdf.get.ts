import { clientRoute, idParam } from '../../../../../platform/http/route'
import { sendPdf } from '../../../../../report/editions/sendPdf'
import { editionById } from '../../../../../report/editions/editions'

export default clientRoute('read', async ({ event, db }) =>
  sendPdf(event, db, await editionById(db, idParam(event, 'edition', 'edition'))),
)
