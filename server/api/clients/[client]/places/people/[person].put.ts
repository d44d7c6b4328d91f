import { placesOfPersonSchema } from '../../../../../../shared/read/places'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { assignPlaces } from '../../../../../read/places/placePeople'

export default clientRoute('own', async ({ event, db }) => {
  const person = idParam(event, 'person', 'viewer')
  const { places } = await bodyOf(event, placesOfPersonSchema)
  await assignPlaces(db, person, places)
  return { id: person, places }
})
