import { manyPlacesSchema } from '../../../../../shared/read/places'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { changeMany } from '../../../../read/places/changeMany'

/** Changes of several places at once: what they would do, and, once that was looked at, the same done. */
export default clientRoute(
  'write',
  async ({ event, db }) => await changeMany(db, await bodyOf(event, manyPlacesSchema)),
)
