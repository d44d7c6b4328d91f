import { clientRoute } from '../../../../../platform/http/route'
import { placePeople } from '../../../../../read/places/placePeople'

/** The viewers of a client, with the places to which each is assigned. */
export default clientRoute('own', ({ db }) => placePeople(db))
