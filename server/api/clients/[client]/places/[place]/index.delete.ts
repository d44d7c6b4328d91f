import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { removePlace } from '../../../../../read/places/places'

export default clientRoute('write', async ({ event, db }) => {
  if (!(await removePlace(db, idParam(event, 'place', 'place')))) throw notFound('place')
  return { ok: true }
})
