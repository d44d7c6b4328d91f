import { clientRoute } from '../../../../../platform/http/route'
import { refills } from '../../../../../plan/refills/refills'

export default clientRoute('write', ({ db }) => refills(db))
