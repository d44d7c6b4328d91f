import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeTemplate } from '../../../../../read/reviews/replies'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeTemplate(db, idParam(event, 'template', 'template'), true))) throw notFound('template')
  return { ok: true }
})
