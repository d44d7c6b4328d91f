import { route } from '../http/route'
import { isUnnamed } from '../work/agency'

/** Whether this installation waits for its first agency. */
export default route(async () => ({ isUnnamed: await isUnnamed() }))
