import { setResponseStatus } from 'h3'
import { placeGroupSchema } from '../../../../../../shared/read/places'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { keepPlaceGroup } from '../../../../../read/places/placeGroups'

export default clientRoute('write', async ({ event, db }) => {
  const id = await keepPlaceGroup(db, undefined, await bodyOf(event, placeGroupSchema))
  setResponseStatus(event, 201)
  return { id }
})
