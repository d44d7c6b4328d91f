import { removeSet } from '../../../../../db/questions/sets'
import { clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeSet(db, idParam(event, 'set', 'set'), false))) throw notFound('set')
  return { ok: true }
})
