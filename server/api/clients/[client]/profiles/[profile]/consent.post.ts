import { clientRoute, idParam } from '../../../../../http/route'
import { askForConsent } from '../../../../../work/consent'

export default clientRoute('write', async ({ event, db }) => ({ path: `/consent/${await askForConsent(db, idParam(event, 'profile', 'profile'))}` }))
