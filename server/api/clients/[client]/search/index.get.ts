import { clientRoute } from '../../../../http/route'
import { lastSearch } from '../../../../work/findProfiles'

export default clientRoute('work', ({ db }) => lastSearch(db))
