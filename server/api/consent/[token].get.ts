import { getRouterParam } from 'h3'
import { route } from '../../platform/http/route'
import { slowGuesses } from '../../platform/http/slowGuesses'
import { askerOf, openConsent } from '../../gather/profiles/consent'

export default route(async (event) => {
  const { db, profile } = await slowGuesses(event, () => openConsent(getRouterParam(event, 'token') ?? ''))
  return { ...(await askerOf(db)), client: db.name, profile: profile.name, network: profile.networkName }
})
