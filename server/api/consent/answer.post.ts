import { getQuery, getRequestURL } from 'h3'
import { route } from '../../platform/http/route'
import { slowGuesses } from '../../platform/http/slowGuesses'
import { endConsent } from '../../gather/profiles/consent'

/** The network's answer, passed on by the page to which it has sent the owner back. */
export default route(async (event) => {
  const { origin } = getRequestURL(event)
  const answer = new URL('/consent/answer', origin)
  for (const [name, value] of Object.entries(getQuery(event))) answer.searchParams.set(name, String(value))
  const profile = await slowGuesses(event, () => endConsent(answer, `${origin}/consent/answer`))
  return { profile: profile.name, network: profile.networkName }
})
