import { personRoute } from '../../http/route'
import { allClients } from '../../work/allClients'

/** Every client that the person may see, with what needs somebody. */
export default personRoute(({ person }) => allClients(person))
