import { clientRoute } from '../../../../platform/http/route'
import { importsOf } from '../../../../gather/imports/store'

export default clientRoute('work', ({ db }) => importsOf(db))
