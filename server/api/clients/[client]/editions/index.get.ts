import { clientRoute } from '../../../../platform/http/route'
import { editionsOf } from '../../../../report/editions/editions'

export default clientRoute('read', ({ db }) => editionsOf(db))
