import { clientRoute } from '../../../../../platform/http/route'
import { placeGroups } from '../../../../../read/places/placeGroups'

/** The groups of a client's places. */
export default clientRoute('write', ({ db }) => placeGroups(db))
