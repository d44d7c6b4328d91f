import { clientRoute } from '../../../../platform/http/route'
import { rankAllowance } from '../../../../read/ranks/rankAllowance'

/** What the agency may ask for this month, and how far it goes. */
export default clientRoute('work', ({ db }) => rankAllowance(db))
