import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeLink } from '../../../../../read/links/links'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeLink(db, idParam(event, 'link', 'link'), false))) throw notFound('link')
  return { ok: true }
})
