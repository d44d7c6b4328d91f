import { removeSet } from '../../../../../figures/questions/sets'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeSet(db, idParam(event, 'set', 'set'), true))) throw notFound('set')
  return { ok: true }
})
