import { clientRoute } from '../../../../platform/http/route'
import { templatesOf } from '../../../../read/reviews/replies'

export default clientRoute('work', ({ db }) => templatesOf(db))
