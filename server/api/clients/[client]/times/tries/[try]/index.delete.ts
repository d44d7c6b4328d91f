import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { notFound } from '../../../../../../platform/problems/problem'
import { removeTry } from '../../../../../../read/times/tries'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeTry(db, idParam(event, 'try', 'try'), true))) throw notFound('try')
  return { ok: true }
})
