import { clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { bringBackPlace } from '../../../../../read/places/places'

export default clientRoute('write', async ({ event, db }) => {
  const id = idParam(event, 'place', 'place')
  await db.transaction(async (inside) => {
    if (!(await bringBackPlace(inside, id))) throw notFound('place')
  })
  return { ok: true }
})
