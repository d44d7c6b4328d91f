import { createHash } from 'node:crypto'
import { beforeEach, describe, expect, it } from 'vitest'
import { PROFILES } from '../demo/cast'
import { standinNetworks, tokensFor, type StandinSettings } from './networks'
import { issueToken, readToken } from './tokens'

const profile = PROFILES[0]!
const redirect = 'http://127.0.0.1:4310/consent/answer'
const verifier = 'a verifier that is long enough for the rules of the code flow'
const challenge = createHash('sha256').update(verifier).digest('base64url')
let time = 0
let settings: StandinSettings
let network: ReturnType<typeof standinNetworks>

beforeEach(() => {
  time = Date.parse('2026-10-29T06:00:00Z')
  settings = { anchor: '2026-10-28', secret: 'secret', requestsPerMinute: 1000, lastComplete: () => '2026-10-28', now: () => time }
  network = standinNetworks(settings)
})

const ask = (method: string, path: string, form: Record<string, string> = {}, token?: string) => network.handle(method, new URL(path, 'http://127.0.0.1'), { authorization: token && `Bearer ${token}` }, new URLSearchParams(form))!
const access = () => tokensFor('commons', profile.remoteId, settings).access_token
const days = (query = '', token = access()) => ask('GET', `/commons/profiles/${profile.remoteId}/days${query}`, {}, token)

function consent(answer: 'yes' | 'no', to = redirect): URL | undefined {
  const { status, headers } = ask('POST', '/commons/consent', { answer, state: 'the state', redirect_uri: to, code_challenge: challenge, login_hint: profile.remoteId })
  return status === 302 ? new URL(headers!.location!) : undefined
}
const redeem = (code: string, changes: Record<string, string> = {}) => ask('POST', '/commons/token', { grant_type: 'authorization_code', code, code_verifier: verifier, redirect_uri: redirect, ...changes })

describe('consent (OAuth 2.0, RFC 6749, with PKCE, RFC 7636)', () => {
  it('gives a code for a consent, and tokens for the code', () => {
    const answer = consent('yes')!
    expect(answer.searchParams.get('state')).toBe('the state')
    const tokens = JSON.parse(redeem(answer.searchParams.get('code')!).body) as Record<string, string>
    expect(tokens).toMatchObject({ token_type: 'bearer', expires_in: 3600 })
    expect(days('', tokens.access_token).status).toBe(200)
  })

  it('passes on a refusal', () => expect(consent('no')!.searchParams.get('error')).toBe('access_denied'))

  it('takes a code once, in time, with its verifier and address', () => {
    const code = consent('yes')!.searchParams.get('code')!
    expect(redeem(code, { code_verifier: 'another verifier' }).status).toBe(400)
    expect(redeem(code, { redirect_uri: 'http://127.0.0.1:4310/elsewhere' }).status).toBe(400)
    expect(redeem(code).status).toBe(200)
    expect(JSON.parse(redeem(code).body)).toEqual({ error: 'invalid_grant' })
    const late = consent('yes')!.searchParams.get('code')!
    time += 61_000
    expect(redeem(late).status).toBe(400)
  })

  it('sends nobody to a foreign address', () => {
    expect(consent('yes', 'https://elsewhere.example/steal')).toBeUndefined()
    expect(consent('yes', 'not an address')).toBeUndefined()
  })

  it('shows a page that escapes what it is given', () => {
    const page = ask('GET', `/commons/consent?login_hint=${profile.remoteId}&state=${encodeURIComponent('"><script>')}&redirect_uri=x&code_challenge=y`)
    expect(page.body).toContain('Mossgate Gardens')
    expect(page.body).not.toContain('"><script>')
    expect(ask('GET', '/commons/consent?login_hint=1').status).toBe(404)
  })

  it('renews a token, and takes no token for another use', () => {
    const { refresh_token: refresh, access_token: first } = tokensFor('commons', profile.remoteId, settings)
    expect(ask('POST', '/commons/token', { grant_type: 'refresh_token', refresh_token: refresh }).status).toBe(200)
    expect(ask('POST', '/commons/token', { grant_type: 'refresh_token', refresh_token: first }).status).toBe(400)
    expect(ask('POST', '/tintype/token', { grant_type: 'refresh_token', refresh_token: refresh }).status).toBe(400)
    expect(days('', refresh).status).toBe(401)
  })
})

describe('tokens', () => {
  it('cannot be forged', () => {
    const token = issueToken({ use: 'access', network: 'commons', profile: '1', until: time + 1000 }, 'secret')
    expect(readToken(token, 'access', 'secret', time)).toMatchObject({ profile: '1' })
    expect(readToken(token, 'access', 'another', time)).toBeUndefined()
    expect(readToken(token, 'refresh', 'secret', time)).toBeUndefined()
    expect(readToken(token, 'access', 'secret', time + 1001)).toBeUndefined()
    expect(readToken('', 'access', 'secret', time)).toBeUndefined()
    const [, signature] = token.split('.')
    expect(readToken(`${Buffer.from('{"use":"access","until":9e15}').toString('base64url')}.${signature}`, 'access', 'secret', time)).toBeUndefined()
  })
})

describe('figures', () => {
  it('come in pages that follow each other without gap or overlap, as far back as the network remembers', () => {
    let next: string | null = '2020-01-01'
    const seen: string[] = []
    while (next) {
      const page = JSON.parse(days(`?from=${next}`).body) as { data: { day: string }[]; next: string | null; oldest: string }
      expect(page.oldest).toBe('2026-04-12')
      seen.push(...page.data.map(({ day }) => day))
      next = page.next
    }
    expect(seen).toEqual([...new Set(seen)].sort())
    expect([seen[0], seen.at(-1), seen.length]).toEqual(['2026-04-12', '2026-10-28', 200])
  })

  it('end where there is nothing yet', () => expect(JSON.parse(days('?from=2026-10-29').body)).toMatchObject({ data: [], next: null }))

  it('are only for whoever has the consent of that profile', () => {
    expect(ask('GET', `/commons/profiles/${profile.remoteId}/days`).status).toBe(401)
    expect(ask('GET', `/commons/profiles/${PROFILES[2]!.remoteId}/days`, {}, access()).status).toBe(401)
    time += 3_600_001
    expect(days('', issueToken({ use: 'access', network: 'commons', profile: profile.remoteId, until: time - 1 }, 'secret')).status).toBe(401)
  })

  it('are refused beyond the limit, with how long to wait', () => {
    settings.requestsPerMinute = 3
    const token = access()
    const answers = Array.from({ length: 4 }, () => days('', token))
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 429])
    expect(Number(answers[3]!.headers!['retry-after'])).toBeGreaterThan(0)
  })

  it('are nowhere else', () => {
    expect(network.handle('GET', new URL('http://127.0.0.1/nowhere/profiles/1/days'), {}, new URLSearchParams())).toBeUndefined()
    expect(network.handle('GET', new URL('http://127.0.0.1/commons/else'), {}, new URLSearchParams())).toBeUndefined()
  })
})
