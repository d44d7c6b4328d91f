import { clientRoute } from '../../../../../platform/http/route'
import { keptReachable } from '../../../../../read/audience/reachable'

/** The audiences that are kept under a name. */
export default clientRoute('work', ({ db }) => keptReachable(db))
