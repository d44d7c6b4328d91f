import { siteSchema } from '../../../../../../shared/read/traffic'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeSite } from '../../../../../read/traffic/sites'

export default clientRoute('write', async ({ event, db }) => {
  await changeSite(db, idParam(event, 'site', 'site'), await bodyOf(event, siteSchema))
  return { ok: true }
})
