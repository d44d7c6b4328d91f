import { placeStateSchema } from '../../../../../../shared/read/places'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { switchPlace } from '../../../../../read/places/places'

export default clientRoute('write', async ({ event, db }) => {
  const id = idParam(event, 'place', 'place')
  const { isActive } = await bodyOf(event, placeStateSchema)
  await db.transaction((inside) => switchPlace(inside, id, isActive))
  return { ok: true }
})
