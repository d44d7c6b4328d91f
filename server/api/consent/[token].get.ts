import { getRouterParam } from 'h3'
import { route } from '../../http/route'
import { openConsent } from '../../work/consent'

export default route(async (event) => {
  const { db, profile } = await openConsent(getRouterParam(event, 'token') ?? '')
  return { client: db.name, profile: profile.name, network: profile.networkName }
})
