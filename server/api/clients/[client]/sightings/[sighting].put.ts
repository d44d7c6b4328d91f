import { settleSightingSchema } from '../../../../../shared/compare/sightings'
import { settleSighting } from '../../../../compare/field/sightings'
import { bodyOf, clientRoute, idParam } from '../../../../platform/http/route'

/** Says that an entry was read, or takes that back. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { isSettled } = await bodyOf(event, settleSightingSchema)
  await settleSighting(db, idParam(event, 'sighting', 'entry'), isSettled, person.id)
})
