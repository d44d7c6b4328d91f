import { setResponseStatus } from 'h3'
import { siteSchema } from '../../../../../shared/read/traffic'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addSite } from '../../../../read/traffic/sites'

export default clientRoute('write', async ({ event, db }) => {
  const site = await bodyOf(event, siteSchema)
  setResponseStatus(event, 201)
  return { id: await addSite(db, site) }
})
