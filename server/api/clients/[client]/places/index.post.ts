import { setResponseStatus } from 'h3'
import { placeSchema } from '../../../../../shared/read/places'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addPlace } from '../../../../read/places/places'

export default clientRoute('write', async ({ event, db }) => {
  const place = await bodyOf(event, placeSchema)
  setResponseStatus(event, 201)
  return { id: await db.transaction((inside) => addPlace(inside, place)) }
})
