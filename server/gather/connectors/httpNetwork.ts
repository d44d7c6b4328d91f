import * as oauth from 'oauth4webapi'
import { networkById } from '../../../core/networks/networks'
import { now } from '../../platform/clock'
import {
  ConsentWithdrawn,
  NetworkTrouble,
  RateLimited,
  TokenRefused,
  type DaysPage,
  type NetworkConnector,
  type PartsPage,
  type PostsPage,
  type Tokens,
  type VolumePage,
} from './network'
import type { PublicProfile } from '../../../shared/gather/networks'

const CLIENT: oauth.Client = { client_id: 'zaffer' }
const TIMEOUT_MS = 15_000

/** What is read of one answer, at the most, in bytes. */
const MOST_BYTES = 16_000_000

/** The JSON of an answer, as far as it has any; one that does not end is not read to its end. */
async function jsonOf(response: Response, network: string): Promise<unknown> {
  const parts: Uint8Array[] = []
  let bytes = 0
  try {
    for await (const part of (response.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
      bytes += part.length
      if (bytes > MOST_BYTES) throw new NetworkTrouble(`${network} gave an answer of more than 16 MB.`)
      parts.push(part)
    }
    return JSON.parse(Buffer.concat(parts).toString('utf8'))
  } catch (error) {
    if (error instanceof NetworkTrouble) throw error
    return {}
  }
}

/** How long a network can ask to wait, in seconds: a day. What asks for longer is asked again after that. */
const LONGEST_WAIT = 86_400

/**
 * How long an answer asks to wait: a number of seconds, or a time (RFC 9110, 10.2.3); a minute where it says neither.
 *
 * @example secondsOf('7') // 7
 */
export function secondsOf(retryAfter: string | null, at = Date.now()): number {
  const text = retryAfter?.trim() ?? ''
  const seconds = /^\d+$/.test(text) ? Number(text) : Math.ceil((Date.parse(text) - at) / 1000)
  return Number.isNaN(seconds) ? 60 : Math.min(LONGEST_WAIT, Math.max(1, seconds))
}

/**
 * A network that speaks HTTP with JSON pages and OAuth 2.0.
 *
 * @param network  the network's id
 * @param base     where it answers, for example http://127.0.0.1:4321
 */
export function httpNetwork(network: string, base = process.env.ZAFFER_STANDINS_URL): NetworkConnector {
  if (!base) throw new Error('ZAFFER_STANDINS_URL is not set')
  const { name } = networkById(network)
  const server: oauth.AuthorizationServer = {
    issuer: base,
    authorization_endpoint: `${base}/${network}/consent`,
    token_endpoint: `${base}/${network}/token`,
  }
  const options = {
    [oauth.allowInsecureRequests]: new URL(base).hostname === '127.0.0.1',
    signal: () => AbortSignal.timeout(TIMEOUT_MS),
  }

  async function granted(
    response: Response,
    process: (response: Response) => Promise<oauth.TokenEndpointResponse>,
    previous?: Tokens,
  ): Promise<Tokens> {
    const result = await process(response).catch((error: unknown) => {
      // only this one says that the consent itself is gone (RFC 6749, 5.2); everything else can pass
      if (error instanceof oauth.ResponseBodyError && error.error === 'invalid_grant') throw new ConsentWithdrawn(name)
      if (error instanceof oauth.ResponseBodyError)
        throw new NetworkTrouble(`${name} did not renew the consent (${error.error.slice(0, 60)}).`)
      throw new NetworkTrouble(`${name} gave an answer that cannot be read: ${(error as Error).message}`)
    })
    return {
      access: result.access_token,
      refresh: result.refresh_token ?? previous?.refresh ?? '',
      until: now() + (result.expires_in ?? 0) * 1000,
    }
  }

  async function ask(path: string, query: Record<string, string>, tokens?: Tokens): Promise<Response> {
    const address = `${base}/${network}/${path}?${new URLSearchParams(query)}`
    const response = await fetch(address, {
      headers: tokens ? { authorization: `Bearer ${tokens.access}` } : {},
      signal: AbortSignal.timeout(TIMEOUT_MS),
      redirect: 'error',
    }).catch(() => {
      throw new NetworkTrouble(`${name} does not answer.`)
    })
    if (response.status === 429) throw new RateLimited(secondsOf(response.headers.get('retry-after')))
    if (response.status === 401) throw new TokenRefused(name)
    if (!response.ok && response.status !== 404) throw new NetworkTrouble(`${name} answered ${response.status}.`)
    return response
  }

  async function page<T extends { next: string | undefined }>(
    tokens: Tokens | undefined,
    path: string,
    from: string,
  ): Promise<T> {
    const response = await ask(path, { from }, tokens)
    if (response.status === 404) throw new NetworkTrouble(`${name} no longer has this profile under its id.`)
    const body = (await jsonOf(response, name)) as { data: unknown; through?: string; next: string | null }
    if (!Array.isArray(body.data)) throw new NetworkTrouble(`${name} gave an answer without data.`)
    if (body.next && body.next <= from) throw new NetworkTrouble(`${name} gives the same page again and again.`)
    return { ...body, next: body.next ?? undefined } as unknown as T
  }

  return {
    consentAddress({ remoteId, state, challenge, redirect }) {
      const address = new URL(server.authorization_endpoint!)
      address.search = new URLSearchParams({
        response_type: 'code',
        client_id: CLIENT.client_id,
        redirect_uri: redirect,
        state,
        code_challenge: challenge,
        code_challenge_method: 'S256',
        login_hint: remoteId,
      }).toString()
      return address.href
    },
    async redeem({ answer, state, verifier, redirect }) {
      const parameters = oauth.validateAuthResponse(server, CLIENT, answer, state)
      const response = await oauth.authorizationCodeGrantRequest(
        server,
        CLIENT,
        oauth.None(),
        parameters,
        redirect,
        verifier,
        options,
      )
      return await granted(response, (given) => oauth.processAuthorizationCodeResponse(server, CLIENT, given))
    },
    async refresh(tokens) {
      const response = await oauth
        .refreshTokenGrantRequest(server, CLIENT, oauth.None(), tokens.refresh, options)
        .catch(() => {
          throw new NetworkTrouble(`${name} does not answer.`)
        })
      return await granted(response, (given) => oauth.processRefreshTokenResponse(server, CLIENT, given), tokens)
    },
    days: (tokens, remoteId, from) => page<DaysPage>(tokens, `profiles/${remoteId}/days`, from),
    posts: (tokens, remoteId, from) => page<PostsPage>(tokens, `profiles/${remoteId}/posts`, from),
    parts: (tokens, remoteId, from) => page<PartsPage>(tokens, `profiles/${remoteId}/parts`, from),
    async findProfile(handle) {
      const response = await ask('public/profiles', { handle })
      return response.status === 404 ? undefined : ((await jsonOf(response, name)) as PublicProfile)
    },
    publicDays: (remoteId, from) => page<DaysPage>(undefined, `public/profiles/${remoteId}/days`, from),
    publicPosts: (remoteId, from) => page<PostsPage>(undefined, `public/profiles/${remoteId}/posts`, from),
    volume: (from) => page<VolumePage>(undefined, 'public/volume', from),
  }
}
