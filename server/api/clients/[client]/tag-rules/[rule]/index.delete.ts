import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeRule } from '../../../../../read/tags/tags'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeRule(db, idParam(event, 'rule', 'rule'), true))) throw notFound('rule')
  return { ok: true }
})
