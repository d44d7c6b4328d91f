import { clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'
import { removeTarget } from '../../../../../work/targets'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeTarget(db, idParam(event, 'target', 'target'), true))) throw notFound('target')
  return { ok: true }
})
