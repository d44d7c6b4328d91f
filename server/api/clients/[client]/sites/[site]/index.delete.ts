import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removeSite } from '../../../../../read/traffic/sites'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removeSite(db, idParam(event, 'site', 'site'), true))) throw notFound('site')
  return { ok: true }
})
