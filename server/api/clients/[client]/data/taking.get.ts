import { takingState } from '../../../../gather/data/takePackage'
import { clientRoute } from '../../../../platform/http/route'

/** Whether a package can be taken in, and how it went with the last one. */
export default clientRoute('work', ({ db }) => takingState(db))
