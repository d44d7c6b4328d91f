import { LARGEST_PLACES_BYTES, placesFileSchema } from '../../../../../../shared/read/places'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { placesFile } from '../../../../../read/places/placesFile'

/** A file of places: what it would do, and, once that was looked at, the same done. */
export default clientRoute('write', async ({ event, db }) => {
  const { text, isTaken } = await bodyOf(event, placesFileSchema, 3 * LARGEST_PLACES_BYTES)
  return await placesFile(db, text, isTaken)
})
