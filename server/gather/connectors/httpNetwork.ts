import * as oauth from 'oauth4webapi'
import { networkById } from '../../../core/networks/networks'
import { now } from '../../platform/clock'
import {
  ConsentWithdrawn,
  NetworkTrouble,
  RateLimited,
  TokenRefused,
  type BreakdownsPage,
  type Connection,
  type Connector,
  type Credentials,
  type DaysPage,
  type Identity,
  type Outgoing,
  type Taken,
  type Picture,
  type PostsPage,
  type RowsPage,
  type Tokens,
  type VolumePage,
} from './connector'
import { addressOf } from './addressOf'
import { REVIEWS } from '../../../core/datasets/datasets'
import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import {
  ESTIMATING_NETWORKS,
  estimateAnswerSchema,
  type Estimate,
  type EstimateQuery,
} from '../../../shared/read/reachable'
import { MOST_PICTURE_BYTES, PICTURE_TYPES } from '../../../shared/platform/pictures'
import {
  alsoFollowedSchema,
  foundSchema,
  type AlsoFollowed,
  type PublicProfile,
} from '../../../shared/gather/publicProfile'

const CLIENT: oauth.Client = { client_id: 'zaffer' }
const TIMEOUT_MS = 15_000

/** What is read of one answer, at the most, in bytes. */
const MOST_BYTES = 16_000_000

/** An answer as bytes; one that does not end is not read to its end. */
async function bytesOf(response: Response, network: string, most = MOST_BYTES): Promise<Buffer> {
  const parts: Uint8Array[] = []
  let bytes = 0
  for await (const part of (response.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    bytes += part.length
    if (bytes > most) throw new NetworkTrouble(`${network} gave an answer of more than ${most / 1_000_000} MB.`)
    parts.push(part)
  }
  return Buffer.concat(parts)
}

/** The JSON of an answer, as far as it has any. */
export async function jsonOf(response: Response, network: string): Promise<unknown> {
  try {
    return JSON.parse((await bytesOf(response, network)).toString('utf8'))
  } catch (error) {
    if (error instanceof NetworkTrouble) throw error
    return {}
  }
}

/** The longest handle, and the longest name. */
const LONGEST_NAME = 120

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

const givesBreakdowns = (network: string): boolean =>
  STORED_BREAKDOWNS.some(({ networks }) => networks[network] !== undefined)

/**
 * A network that speaks HTTP with JSON pages and OAuth 2.0. With the owner's consent it gives everything, without it
 * what anybody can see, of the profile that the connection names.
 */
export function httpNetwork(connection: Connection): Connector {
  const network = connection.connector
  const base = addressOf(connection)
  const { name } = networkById(network)
  const server: oauth.AuthorizationServer = {
    issuer: base,
    authorization_endpoint: `${base}/consent`,
    token_endpoint: `${base}/token`,
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
      mayPublish:
        result.scope === undefined ? (previous?.mayPublish ?? false) : result.scope.split(' ').includes('publish'),
    }
  }

  async function ask(path: string, query: Record<string, string>, tokens?: Tokens): Promise<Response> {
    const address = `${base}/${path}?${new URLSearchParams(query)}`
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

  async function refresh(tokens: Tokens): Promise<Tokens> {
    const response = await oauth
      .refreshTokenGrantRequest(server, CLIENT, oauth.None(), tokens.refresh, options)
      .catch(() => {
        throw new NetworkTrouble(`${name} does not answer.`)
      })
    return await granted(response, (given) => oauth.processRefreshTokenResponse(server, CLIENT, given), tokens)
  }

  const { remoteId, credentials } = connection
  const streams: Connector =
    remoteId === undefined ? {} : credentials ? ofOwner(remoteId, asOwner(credentials, refresh)) : ofAnybody(remoteId)

  /** The picture of a post: what the network says of it is followed on the network alone. */
  async function picture(address: string): Promise<Picture | undefined> {
    if (!/^[\w-]+(?:\/[\w.-]+)*$/.test(address) || address.includes('..')) return undefined
    const response = await ask(address, {})
    const type = (response.headers.get('content-type') ?? '').split(';')[0]!.trim()
    if (response.status === 404 || !PICTURE_TYPES.includes(type)) return undefined
    return { type, bytes: await bytesOf(response, name, MOST_PICTURE_BYTES) }
  }

  /** How many people could be reached, as far as what the network says can be read. */
  async function estimate({ where, ages, genders, interests }: EstimateQuery): Promise<Estimate | undefined> {
    const { kind, ...place } = where
    const response = await ask('public/estimate', {
      kind,
      ...Object.fromEntries(Object.entries(place).map(([part, value]) => [part, String(value)])),
      ages: ages.join(','),
      genders: genders.join(','),
      interests: interests.join(','),
    })
    if (response.status === 404) return undefined
    try {
      return estimateAnswerSchema.validateSync(await jsonOf(response, name), { stripUnknown: true }) as Estimate
    } catch {
      throw new NetworkTrouble(`${name} gave an estimate that cannot be read.`)
    }
  }

  /** Answers a review. The network keeps one answer for each, so that asking again after a lost answer does no harm. */
  async function answer(tokens: Tokens, what: string, text: string): Promise<string> {
    const response = await fetch(`${base}/${what}/answer`, {
      method: 'PUT',
      headers: { authorization: `Bearer ${tokens.access}` },
      body: new URLSearchParams({ text }),
      signal: AbortSignal.timeout(TIMEOUT_MS),
      redirect: 'error',
    }).catch(() => {
      throw new NetworkTrouble(`${name} does not answer.`)
    })
    if (response.status === 429) throw new RateLimited(secondsOf(response.headers.get('retry-after')))
    if (response.status === 401) throw new TokenRefused(name)
    if (response.ok) return ''
    if (![403, 404, 422].includes(response.status)) throw new NetworkTrouble(`${name} answered ${response.status}.`)
    const { error } = (await jsonOf(response, name)) as { error?: unknown }
    return typeof error === 'string' && error !== '' ? error : `${name} has refused the answer.`
  }

  /** What the network says of a post that it has. */
  async function takenOf(response: Response): Promise<Taken> {
    const body = (await jsonOf(response, name)) as { remoteId?: unknown; publishedAt?: unknown }
    const publishedAt = Date.parse(String(body.publishedAt))
    if (!/^[\w.:-]{1,40}$/.test(String(body.remoteId ?? '')) || Number.isNaN(publishedAt))
      throw new NetworkTrouble(`${name} gave an answer that cannot be read.`)
    return { remoteId: String(body.remoteId), publishedAt }
  }

  async function find(tokens: Tokens, id: string, key: string): Promise<Taken | undefined> {
    const response = await ask(`profiles/${id}/posts/by-key/${encodeURIComponent(key)}`, {}, tokens)
    return response.status === 404 ? undefined : await takenOf(response)
  }

  /** Gives a post. Its key makes it the same one, so that giving it again after a lost answer makes no second. */
  async function post(
    tokens: Tokens,
    id: string,
    { key, media, preview, ...content }: Outgoing,
  ): Promise<Taken | string> {
    const sent = ({ bytes, ...each }: { type: string; bytes: Buffer }) => ({
      ...each,
      content: bytes.toString('base64'),
    })
    const page = preview && { ...preview, picture: preview.picture && sent(preview.picture) }
    const response = await fetch(`${base}/profiles/${id}/posts`, {
      method: 'POST',
      headers: {
        'authorization': `Bearer ${tokens.access}`,
        'content-type': 'application/json',
        'idempotency-key': key,
      },
      body: JSON.stringify({ ...content, media: media.map(sent), preview: page }),
      signal: AbortSignal.timeout(TIMEOUT_MS),
      redirect: 'error',
    }).catch(() => {
      throw new NetworkTrouble(`${name} does not answer.`)
    })
    if (response.status === 429) throw new RateLimited(secondsOf(response.headers.get('retry-after')))
    if (response.status === 401) throw new TokenRefused(name)
    if (response.ok) return await takenOf(response)
    if (![403, 413, 422].includes(response.status)) throw new NetworkTrouble(`${name} answered ${response.status}.`)
    const { error } = (await jsonOf(response, name)) as { error?: unknown }
    return typeof error === 'string' && error !== '' ? error : `${name} has refused the post.`
  }

  /** Under what handle and name the network has a profile now, by its id. */
  async function identity(id: string): Promise<Identity | undefined> {
    const response = await ask(`public/profiles/${id}`, {})
    if (response.status === 404) return undefined
    const { remoteId: known, handle, name: called } = (await jsonOf(response, name)) as Record<string, unknown>
    if (known !== id || typeof handle !== 'string' || typeof called !== 'string' || handle === '' || called === '')
      throw new NetworkTrouble(`${name} gave a profile that cannot be read.`)
    return { handle: handle.slice(0, LONGEST_NAME), name: called.slice(0, LONGEST_NAME) }
  }

  /** Whom else those follow who follow a profile, as far as what the network says can be read. */
  async function alsoFollowed(id: string): Promise<AlsoFollowed[]> {
    const response = await ask(`public/profiles/${id}/also-followed`, {})
    if (response.status === 404) return []
    try {
      return alsoFollowedSchema.validateSync(await jsonOf(response, name), { stripUnknown: true })
        .data as AlsoFollowed[]
    } catch (error) {
      if (error instanceof NetworkTrouble) throw error
      throw new NetworkTrouble(`${name} gave a list of profiles that cannot be read.`)
    }
  }

  function ofOwner(id: string, ask: AsOwner): Connector {
    return {
      figures: (from) => ask((tokens) => page<DaysPage>(tokens, `profiles/${id}/days`, from)),
      posts: (from) => ask((tokens) => page<PostsPage>(tokens, `profiles/${id}/posts`, from)),
      picture,
      publishing: {
        find: (key) => ask((tokens) => find(tokens, id, key)),
        post: (content) => ask((tokens) => post(tokens, id, content)),
      },
      rows: (stream, from) => ask((tokens) => page<RowsPage>(tokens, `profiles/${id}/${stream}`, from)),
      ...(REVIEWS.stream!.networks.includes(network) && {
        answer: (what, which, text) =>
          ask((tokens) => answer(tokens, `profiles/${id}/${what}/${encodeURIComponent(which)}`, text)),
      }),
      ...(givesBreakdowns(network) && {
        breakdowns: (from) => ask((tokens) => page<BreakdownsPage>(tokens, `profiles/${id}/breakdowns`, from)),
      }),
    }
  }

  function ofAnybody(id: string): Connector {
    return {
      figures: (from) => page<DaysPage>(undefined, `public/profiles/${id}/days`, from),
      posts: (from) => page<PostsPage>(undefined, `public/profiles/${id}/posts`, from),
      picture,
      ...(REVIEWS.stream!.networks.includes(network) && {
        rows: (stream, from) => page<RowsPage>(undefined, `public/profiles/${id}/${stream}`, from),
        openStreams: [REVIEWS.stream!.id],
      }),
    }
  }

  const estimates = (ESTIMATING_NETWORKS as readonly string[]).includes(network)
  return {
    ...streams,
    ...(remoteId !== undefined && { identity: () => identity(remoteId) }),
    ...(remoteId !== undefined && estimates && { alsoFollowed: () => alsoFollowed(remoteId) }),
    volume: (from) => page<VolumePage>(undefined, 'public/volume', from),
    ...(estimates && { estimate }),
    async lookup(handle) {
      const response = await ask('public/profiles', { handle })
      return response.status === 404 ? undefined : ((await jsonOf(response, name)) as PublicProfile)
    },
    async search(words) {
      const response = await ask('public/search', { words })
      if (response.status === 404) return []
      try {
        return foundSchema.validateSync(await jsonOf(response, name), { stripUnknown: true }).data as PublicProfile[]
      } catch (error) {
        if (error instanceof NetworkTrouble) throw error
        throw new NetworkTrouble(`${name} gave a list of profiles that cannot be read.`)
      }
    },
    consent: {
      address({ remoteId: profile, state, challenge, redirect }) {
        const address = new URL(server.authorization_endpoint!)
        address.search = new URLSearchParams({
          response_type: 'code',
          client_id: CLIENT.client_id,
          redirect_uri: redirect,
          state,
          code_challenge: challenge,
          code_challenge_method: 'S256',
          login_hint: profile,
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
    },
  }
}

type AsOwner = <T>(ask: (tokens: Tokens) => Promise<T>) => Promise<T>

/** How long before their end tokens are made fresh, in milliseconds. */
const FRESH_MS = 60_000

/**
 * Asks with the owner's tokens. They are made fresh before they end, and once more when the network does not take them:
 * some end early. Only a refusal to make them fresh means that the consent is gone.
 */
function asOwner(credentials: Credentials, renew: (tokens: Tokens) => Promise<Tokens>): AsOwner {
  let { tokens } = credentials
  let isFresh = false
  const refresh = async () => {
    tokens = await renew(tokens)
    await credentials.keep(tokens)
  }
  return async (ask) => {
    if (tokens.until <= now() + FRESH_MS) await refresh()
    try {
      return await ask(tokens)
    } catch (error) {
      if (!(error instanceof TokenRefused) || isFresh) throw error
      isFresh = true
      await refresh()
      return await ask(tokens)
    }
  }
}
