import { clientRoute } from '../../../http/route'
import { releasedOf } from '../../../work/released'

export default clientRoute('own', async ({ db }) => ({ released: await releasedOf(db) }))
