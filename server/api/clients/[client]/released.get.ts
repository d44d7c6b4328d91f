import { clientRoute } from '../../../platform/http/route'
import { releasedOf } from '../../../report/editions/released'

export default clientRoute('own', async ({ db }) => ({ released: await releasedOf(db) }))
