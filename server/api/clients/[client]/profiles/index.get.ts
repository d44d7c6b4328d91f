import { clientRoute } from '../../../../http/route'
import { profilesPage } from '../../../../work/profilesPage'

export default clientRoute('read', ({ db }) => profilesPage(db))
