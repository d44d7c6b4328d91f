import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeTarget } from '../../../../../read/targets/targets'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeTarget(db, idParam(event, 'target', 'target'), true))) throw notFound('target')
  return { ok: true }
})
