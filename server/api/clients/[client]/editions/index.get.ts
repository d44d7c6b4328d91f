import { clientRoute } from '../../../../http/route'
import { editionsOf } from '../../../../reports/editions'

export default clientRoute('read', ({ db }) => editionsOf(db))
