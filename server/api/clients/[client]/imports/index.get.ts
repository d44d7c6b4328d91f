import { clientRoute } from '../../../../http/route'
import { importsOf } from '../../../../imports/store'

export default clientRoute('read', ({ db }) => importsOf(db))
