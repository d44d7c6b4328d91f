import { createHash } from 'node:crypto'
import { beforeEach, describe, expect, it } from 'vitest'
import { PROFILES } from '../demo/profiles'
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
  settings = {
    anchor: '2026-10-28',
    secret: 'secret',
    requestsPerMinute: 1000,
    lastComplete: () => '2026-10-28',
    now: () => time,
  }
  network = standinNetworks(settings)
})

const ask = (method: string, path: string, form: Record<string, string> = {}, token?: string) =>
  network.handle(
    method,
    new URL(path, 'http://127.0.0.1'),
    { authorization: token && `Bearer ${token}` },
    new URLSearchParams(form),
  )!
const access = () => tokensFor('commons', profile.remoteId, settings).access_token
const days = (query = '', token = access()) =>
  ask('GET', `/commons/profiles/${profile.remoteId}/days${query}`, {}, token)

function consent(answer: 'yes' | 'no', to = redirect): URL | undefined {
  const { status, headers } = ask('POST', '/commons/consent', {
    answer,
    state: 'the state',
    redirect_uri: to,
    code_challenge: challenge,
    login_hint: profile.remoteId,
  })
  return status === 302 ? new URL(headers!.location!) : undefined
}
const redeem = (code: string, changes: Record<string, string> = {}) =>
  ask('POST', '/commons/token', {
    grant_type: 'authorization_code',
    code,
    code_verifier: verifier,
    redirect_uri: redirect,
    ...changes,
  })

describe('breakdowns', () => {
  it('are forgotten as soon as their network says: the hours of followers after five weeks, the rest after a hundred days', () => {
    const photos = PROFILES.find(({ handle, network: on }) => handle === '@mossgate' && on === 'tintype')!
    const token = tokensFor('tintype', photos.remoteId, settings).access_token
    const daysOf = (breakdown: string) => {
      const found = new Set<string>()
      for (let from: string | null = '2026-01-01'; from; ) {
        const page = JSON.parse(
          ask('GET', `/tintype/profiles/${photos.remoteId}/breakdowns?from=${from}`, {}, token).body,
        ) as { data: { breakdown: string; day: string }[]; next: string | null }
        for (const { breakdown: given, day } of page.data) if (given === breakdown) found.add(day)
        from = page.next
      }
      return [...found].sort()
    }
    expect(daysOf('followers_by_hour')).toHaveLength(35)
    expect(daysOf('followers_by_hour')[0]).toBe('2026-09-24')
    expect(daysOf('impressions_by_follower')[0]).toBe('2026-07-21')
  })
})

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
    const page = ask(
      'GET',
      `/commons/consent?login_hint=${profile.remoteId}&state=${encodeURIComponent('"><script>')}&redirect_uri=x&code_challenge=y`,
    )
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
    expect(
      readToken(
        `${Buffer.from('{"use":"access","until":9e15}').toString('base64url')}.${signature}`,
        'access',
        'secret',
        time,
      ),
    ).toBeUndefined()
  })
})

describe('figures', () => {
  it('come in pages that follow each other without gap or overlap, as far back as the network remembers', () => {
    let next: string | null = '2020-01-01'
    const seen: string[] = []
    while (next) {
      const page = JSON.parse(days(`?from=${next}`).body) as {
        data: { day: string }[]
        next: string | null
        oldest: string
      }
      expect(page.oldest).toBe('2026-04-12')
      seen.push(...page.data.map(({ day }) => day))
      next = page.next
    }
    expect(seen).toEqual([...new Set(seen)].sort())
    expect([seen[0], seen.at(-1), seen.length]).toEqual(['2026-04-12', '2026-10-28', 200])
  })

  it('end where there is nothing yet', () =>
    expect(JSON.parse(days('?from=2026-10-29').body)).toMatchObject({ data: [], next: null }))

  it('are only for whoever has the consent of that profile', () => {
    expect(ask('GET', `/commons/profiles/${profile.remoteId}/days`).status).toBe(401)
    expect(ask('GET', `/commons/profiles/${PROFILES[2]!.remoteId}/days`, {}, access()).status).toBe(401)
    time += 3_600_001
    expect(
      days('', issueToken({ use: 'access', network: 'commons', profile: profile.remoteId, until: time - 1 }, 'secret'))
        .status,
    ).toBe(401)
  })

  it('are refused beyond the limit, with how long to wait', () => {
    settings.requestsPerMinute = 3
    const token = access()
    const answers = Array.from({ length: 4 }, () => days('', token))
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 429])
    expect(Number(answers[3]!.headers!['retry-after'])).toBeGreaterThan(0)
  })

  it('are nowhere else', () => {
    expect(
      network.handle('GET', new URL('http://127.0.0.1/nowhere/profiles/1/days'), {}, new URLSearchParams()),
    ).toBeUndefined()
    expect(network.handle('GET', new URL('http://127.0.0.1/commons/else'), {}, new URLSearchParams())).toBeUndefined()
  })
})

describe('what a network shows to anybody', () => {
  const open = (path: string) => ask('GET', path)
  const read = <T>(path: string) => JSON.parse(open(path).body) as T

  it('is a profile under its handle, however it is written, with what stands on its page', () => {
    expect(read('/commons/public/profiles?handle=MossgateGardens')).toMatchObject({
      remoteId: profile.remoteId,
      name: 'Mossgate Gardens',
      followers: 18_196,
      postsIn28Days: expect.any(Number),
      lastPost: expect.stringMatching(/^2026-/),
    })
    expect(open('/commons/public/profiles?handle=nobody').status).toBe(404)
    expect(open('/commons/public/profiles?handle=').status).toBe(404)
  })

  it('are its public figures of thirty days, and never a private one', () => {
    const { data, next } = read<{ data: Record<string, number>[]; next: string | null }>(
      `/commons/public/profiles/${profile.remoteId}/days`,
    )
    expect([data.length, data[0]!.day, next]).toEqual([30, '2026-09-29', null])
    expect(Object.keys(data[0]!).sort()).toEqual(['comments', 'day', 'followers', 'posts', 'reactions', 'shares'])
    const posts = read<{ data: object[] }>(`/commons/public/profiles/${profile.remoteId}/posts`).data
    expect(posts.length).toBeGreaterThan(3)
    expect(posts.every((post) => !('impressions' in post) && !('saves' in post))).toBe(true)
    expect(open('/commons/public/profiles/404/days').status).toBe(404)
  })

  it('is its whole volume, in pages, as far back as two years', () => {
    const first = read<{ data: { day: string; posts: number; interactions: number }[]; next: string }>(
      '/murmur/public/volume',
    )
    expect([first.data.length, first.data[0]!.day, first.next]).toEqual([30, '2024-10-28', '2024-11-27'])
    expect(first.data.every(({ posts, interactions }) => posts > 0 && interactions > posts)).toBe(true)
    expect(read<{ data: object[] }>('/murmur/public/volume?from=2026-10-29').data).toEqual([])
  })

  it('has a limit of its own for each network', () => {
    settings.requestsPerMinute = 2
    expect([1, 2, 3].map(() => open('/cork/public/profiles?handle=x').status)).toEqual([404, 404, 429])
    expect(open('/lantern/public/profiles?handle=x').status).toBe(404)
  })
})

describe('pages', () => {
  it('of some networks begin with the last day of the one before, of others with the next', () => {
    const next = (networkId: string, remoteId: string) => {
      const { access_token: token } = tokensFor(networkId, remoteId, settings)
      return JSON.parse(ask('GET', `/${networkId}/profiles/${remoteId}/days?from=2026-09-01`, {}, token).body) as {
        through: string
        next: string
      }
    }
    expect(next('tintype', '17841400518844102')).toMatchObject({ through: '2026-09-30', next: '2026-09-30' })
    expect(next('commons', profile.remoteId)).toMatchObject({ through: '2026-09-30', next: '2026-10-01' })
  })

  it('of breakdowns need consent, and add up to the day’s figures', () => {
    expect(ask('GET', `/commons/profiles/${profile.remoteId}/breakdowns`).status).toBe(401)
    const parts = (
      JSON.parse(ask('GET', `/commons/profiles/${profile.remoteId}/breakdowns?from=2026-10-01`, {}, access()).body) as {
        data: { day: string; breakdown: string; value: number }[]
      }
    ).data
    const figures = (JSON.parse(days('?from=2026-10-01').body) as { data: { day: string; impressions: number }[] }).data
    for (const { day, impressions } of figures) {
      expect(
        parts
          .filter((part) => part.day === day && part.breakdown === 'impressions_by_source')
          .reduce((sum, { value }) => sum + value, 0),
        day,
      ).toBe(impressions)
    }
  })

  it('of the clients’ own sites are HTML, and nothing else is there', () => {
    expect(ask('GET', '/sites/www.mossgate.example/')).toMatchObject({
      status: 200,
      body: expect.stringContaining('https://tintype.example/@mossgate'),
    })
    expect(ask('GET', '/sites/www.mossgate.example/visit').status).toBe(404)
    expect(ask('GET', '/sites/elsewhere.example/').status).toBe(404)
  })
})
