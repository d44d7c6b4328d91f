import { clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'
import { removeScope } from '../../../../../work/savedScopes'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeScope(db, idParam(event, 'scope', 'saved scope'), true))) throw notFound('saved scope')
  return { ok: true }
})
