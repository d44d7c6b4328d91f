import { placeSchema } from '../../../../../../shared/read/places'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changePlace } from '../../../../../read/places/places'

export default clientRoute('write', async ({ event, db }) => {
  await changePlace(db, idParam(event, 'place', 'place'), await bodyOf(event, placeSchema))
  return { ok: true }
})
