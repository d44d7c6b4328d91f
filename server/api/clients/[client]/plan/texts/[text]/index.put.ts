import { savedTextSchema } from '../../../../../../../shared/plan/savedTexts'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { changeText } from '../../../../../../plan/posts/savedTexts'

export default clientRoute('write', async ({ event, db }) => {
  await changeText(db, idParam(event, 'text', 'text'), await bodyOf(event, savedTextSchema))
  return { ok: true }
})
