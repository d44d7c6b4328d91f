import { sessionsOf } from '../../../auth/sessions'
import { personRoute } from '../../../http/route'

/** Where the person is signed in. */
export default personRoute(({ person, session }) => sessionsOf(person, session))
