import { templateSchema } from '../../../../../../shared/read/reviews'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeTemplate } from '../../../../../read/reviews/replies'

export default clientRoute('write', async ({ event, db }) => {
  await changeTemplate(db, idParam(event, 'template', 'template'), await bodyOf(event, templateSchema))
  return { ok: true }
})
