import { suggestRivals } from '../../../../gather/find/suggestRivals'
import { clientRoute } from '../../../../platform/http/route'

export default clientRoute('write', ({ db }) => suggestRivals(db))
