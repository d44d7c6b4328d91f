import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { removeText } from '../../../../../../plan/posts/savedTexts'

export default clientRoute('write', async ({ event, db }) => {
  await removeText(db, idParam(event, 'text', 'text'), true)
  return { ok: true }
})
