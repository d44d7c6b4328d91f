import { clientRoute } from '../../../../platform/http/route'
import { profilesView } from '../../../../gather/profiles/profilesPage'

export default clientRoute('work', ({ db }) => profilesView(db))
