import { route } from '../platform/http/route'
import { isUnnamed } from '../platform/people/agency'

/** Whether this installation waits for its first agency. */
export default route(async () => ({ isUnnamed: await isUnnamed() }))
