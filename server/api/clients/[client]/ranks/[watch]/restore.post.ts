import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeWatch } from '../../../../../read/ranks/rankWatches'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeWatch(db, idParam(event, 'watch', 'keyword'), false))) throw notFound('keyword')
  return { ok: true }
})
