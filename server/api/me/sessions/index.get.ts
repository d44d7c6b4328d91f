import { sessionsOf } from '../../../platform/people/sessions'
import { personRoute } from '../../../platform/http/route'

/** Where the person is signed in. */
export default personRoute(({ person, session }) => sessionsOf(person, session))
