import { getRouterParam } from 'h3'
import { route } from '../../http/route'
import { slowGuesses } from '../../http/slowGuesses'
import { openConsent } from '../../work/consent'

export default route(async (event) => {
  const { db, profile } = await slowGuesses(event, () => openConsent(getRouterParam(event, 'token') ?? ''))
  return { client: db.name, profile: profile.name, network: profile.networkName }
})
