import { clientRoute } from '../../../../http/route'
import { lastSearch } from '../../../../work/findProfiles'

export default clientRoute('read', ({ db }) => lastSearch(db))
