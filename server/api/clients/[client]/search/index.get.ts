import { clientRoute } from '../../../../platform/http/route'
import { lastSearch } from '../../../../gather/find/findProfiles'

export default clientRoute('work', ({ db }) => lastSearch(db))
