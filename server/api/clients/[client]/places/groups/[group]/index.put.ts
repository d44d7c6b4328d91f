import { placeGroupSchema } from '../../../../../../../shared/read/places'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { keepPlaceGroup } from '../../../../../../read/places/placeGroups'

export default clientRoute('write', async ({ event, db }) => {
  const id = idParam(event, 'group', 'group of places')
  return { id: await keepPlaceGroup(db, id, await bodyOf(event, placeGroupSchema)) }
})
