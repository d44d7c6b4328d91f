import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeTag } from '../../../../../read/tags/tags'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeTag(db, idParam(event, 'tag', 'tag'), true))) throw notFound('tag')
  return { ok: true }
})
