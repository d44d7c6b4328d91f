import { clientRoute } from '../../../../http/route'
import { profilesView } from '../../../../work/profilesPage'

export default clientRoute('work', ({ db }) => profilesView(db))
