import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeScope } from '../../../../../figures/savedScopes'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeScope(db, idParam(event, 'scope', 'saved scope'), true))) throw notFound('saved scope')
  return { ok: true }
})
