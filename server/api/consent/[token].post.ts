import { getRequestURL, getRouterParam } from 'h3'
import { route } from '../../http/route'
import { slowGuesses } from '../../http/slowGuesses'
import { beginConsent } from '../../work/consent'

export default route(async (event) => ({ address: await slowGuesses(event, () => beginConsent(getRouterParam(event, 'token') ?? '', `${getRequestURL(event).origin}/consent/answer`)) }))
