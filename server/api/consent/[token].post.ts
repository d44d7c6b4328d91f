import { getRequestURL, getRouterParam } from 'h3'
import { route } from '../../platform/http/route'
import { slowGuesses } from '../../platform/http/slowGuesses'
import { beginConsent } from '../../gather/profiles/consent'

export default route(async (event) => ({
  address: await slowGuesses(event, () =>
    beginConsent(getRouterParam(event, 'token') ?? '', `${getRequestURL(event).origin}/consent/answer`),
  ),
}))
