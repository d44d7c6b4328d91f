import { clientRoute } from '../../../../http/route'
import { importsOf } from '../../../../imports/store'

export default clientRoute('work', ({ db }) => importsOf(db))
