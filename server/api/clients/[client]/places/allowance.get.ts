import { clientRoute } from '../../../../platform/http/route'
import { placesAllowance } from '../../../../read/places/places'

/** How many places the agency may have switched on, and how many it has. */
export default clientRoute('write', ({ db }) => placesAllowance(db))
