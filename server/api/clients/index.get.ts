import { personRoute } from '../../platform/http/route'
import { allClients } from '../../clients/allClients'

/** Every client that the person may see, with what needs somebody. */
export default personRoute(({ person }) => allClients(person))
