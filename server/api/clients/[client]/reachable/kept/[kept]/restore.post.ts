import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { notFound } from '../../../../../../platform/problems/problem'
import { removeReachable } from '../../../../../../read/audience/reachable'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeReachable(db, idParam(event, 'kept', 'audience'), false))) throw notFound('audience')
  return { ok: true }
})
