import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeLinkPage } from '../../../../../read/links/linkPages'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeLinkPage(db, idParam(event, 'page', 'page'), true))) throw notFound('page')
  return { ok: true }
})
