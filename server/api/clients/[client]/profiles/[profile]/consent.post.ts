import { clientRoute, idParam } from '../../../../../platform/http/route'
import { askForConsent } from '../../../../../gather/profiles/consent'

export default clientRoute('write', async ({ event, db }) => ({
  path: `/consent/${await askForConsent(db, idParam(event, 'profile', 'profile'))}`,
}))
