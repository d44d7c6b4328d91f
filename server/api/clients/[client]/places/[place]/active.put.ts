import { placeStateSchema } from '../../../../../../shared/read/places'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { switchPlace } from '../../../../../read/places/places'

export default clientRoute('write', async ({ event, db }) => {
  await switchPlace(db, idParam(event, 'place', 'place'), (await bodyOf(event, placeStateSchema)).isActive)
  return { ok: true }
})
