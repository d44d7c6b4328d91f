import { getRequestURL, getRouterParam } from 'h3'
import { route } from '../../http/route'
import { beginConsent } from '../../work/consent'

export default route(async (event) => ({ address: await beginConsent(getRouterParam(event, 'token') ?? '', `${getRequestURL(event).origin}/consent/answer`) }))
