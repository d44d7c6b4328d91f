import { readFileSync } from 'node:fs'
import { THE_OWNER } from '../core/datasets/datasets'
import { createHash } from 'node:crypto'
import { addDays, dayFromNumber, type Day } from '../core/days/day'
import { PUBLIC_COLUMNS } from '../core/metrics/storedFigures'
import { NETWORKS, type Network } from '../core/networks/networks'
import { plainHandle } from '../core/networks/profileAddress'
import { eachDay } from '../core/periods/period'
import { breakdownById } from '../core/breakdowns/breakdowns'
import { PAGES } from '../demo/cast'
import { PROFILES, type DemoProfile } from '../demo/profiles'
import { breakdownsOf } from '../demo/breakdowns'
import { retentionOf } from '../demo/retention'
import { questionsOn } from '../demo/questions'
import { listingPicturesOn, listingPictureSvg } from '../demo/listingPictures'
import { reviewsOn } from '../demo/reviews'
import { alsoFollowed } from '../demo/alsoFollowed'
import { reachable } from '../demo/reachable'
import { volumeOf } from '../demo/volume'
import { ESTIMATING_NETWORKS, type EstimateQuery } from '../shared/read/reachable'
import { pictureOf } from '../demo/pictures'
import { world, type DemoPost } from '../demo/world'
import { ruleProblems } from '../core/plan/networkRules'
import { dayAt } from '../core/days/lastCompleteDay'
import { postedPosts, type Posted, type PostedPosts } from './posted'
import { issueToken, readToken, type Claims } from './tokens'

/** How the stand-in networks are set up. */
export interface StandinSettings {
  anchor: Day
  secret: string
  /** Requests that one token may make in a minute. */
  requestsPerMinute: number
  /** The posts that were given to them. */
  posted?: PostedPosts
  /** Profiles by id that have another handle now, and those that are no longer there. */
  renamed?: ReadonlyMap<string, string>
  gone?: ReadonlySet<string>
  /** The last complete day and the time, as the application has them. */
  lastComplete: () => Day
  now: () => number
}

export interface Answer {
  status: number
  headers?: Record<string, string>
  body: string
  /** A picture, in place of the body. */
  bytes?: Buffer
}

const HOUR = 3_600_000
const ACCESS_LIFE = HOUR
const REFRESH_LIFE = 400 * 24 * HOUR
const PAGE_DAYS = 30
/** These networks begin a page with the last day of the one before. */
const OVERLAPPING = ['tintype', 'cork']

/** What can be asked of a profile. */
type What = 'days' | 'posts' | 'breakdowns' | 'retention' | 'reviews' | 'questions' | 'pictures'

/** How many profiles a search by name gives. */
const MOST_FOUND = 10

/** How far back a network's own volume is told. */
const PAST_VOLUME_DAYS = 730

/** Whom an address asks for. */
function estimateQueryOf(query: URLSearchParams): EstimateQuery {
  const list = (name: string) => (query.get(name) ?? '').split(',').filter(Boolean)
  const kind = query.get('kind')
  return {
    where:
      kind === 'towns'
        ? { kind, towns: list('towns') }
        : kind === 'countries'
          ? { kind, countries: list('countries') }
          : {
              kind: 'circle',
              lat: Number(query.get('lat')),
              lon: Number(query.get('lon')),
              radius: Math.min(100, Number(query.get('radius'))),
            },
    ages: list('ages'),
    genders: list('genders') as ('f' | 'm')[],
    interests: list('interests'),
  }
}

/** A page of a client's site. */
/** The picture that a page names as its own. */
const LAKE = new URL('./lake.png', import.meta.url)

function page(host: string, path: string): Answer {
  if (`${host}/${path}` === 'www.mossgate.example/lake.png')
    return { status: 200, headers: { 'content-type': 'image/png' }, body: '', bytes: readFileSync(LAKE) }
  const body = PAGES[host]
  if (body === undefined || path !== '')
    return {
      status: 404,
      headers: { 'content-type': 'text/html; charset=utf-8' },
      body: '<p>There is nothing here.</p>',
    }
  return { status: 200, headers: { 'content-type': 'text/html; charset=utf-8' }, body }
}

const json = (status: number, body: unknown, headers: Record<string, string> = {}): Answer => ({
  status,
  headers: { 'content-type': 'application/json', ...headers },
  body: JSON.stringify(body),
})
const escape = (text: string) => text.replace(/[&<>"']/g, (character) => `&#${character.codePointAt(0)};`)

/**
 * The stand-in networks: consent by OAuth 2.0 (code flow with PKCE); daily figures, their breakdowns and posts in pages,
 * behind a rate limit, for as long back as the network remembers; and what they show everybody: profiles by handle,
 * their public figures, and the network's volume.
 */
export function standinNetworks(settings: StandinSettings) {
  const { profileDay, posts, postAt, broughtBy } = world(settings.anchor)
  const posted = settings.posted ?? postedPosts()
  const usedCodes = new Set<string>()
  const answers = new Map<string, { at: string; text: string }>()
  const requests = new Map<string, { minute: number; count: number }>()

  /** Answers a request to /{network}/…; undefined when there is no such address. */
  function handle(
    method: string,
    url: URL,
    headers: { 'authorization'?: string; 'idempotency-key'?: string | string[] },
    form: URLSearchParams,
    body = '',
  ): Answer | undefined {
    const [, networkId = '', ...rest] = url.pathname.split('/')
    if (networkId === 'sites' && method === 'GET') return page(rest[0] ?? '', rest.slice(1).join('/'))
    const network = NETWORKS.find(({ id }) => id === networkId)
    if (!network) return undefined
    const path = rest.join('/')
    if (method === 'GET' && path === 'consent') return consentPage(network, url.searchParams)
    if (method === 'POST' && path === 'consent') return decide(network, form)
    if (method === 'POST' && path === 'token') return token(network, form)
    const data = /^profiles\/(\d+)\/(days|posts|breakdowns|retention|reviews|questions|pictures)$/.exec(path)
    if (method === 'GET' && data)
      return figures(network, data[1]!, data[2] as What, url.searchParams, headers.authorization)
    const answered = /^profiles\/(\d+)\/(reviews|questions)\/(\d+)\/answer$/.exec(path)
    if (method === 'PUT' && answered)
      return takeAnswer(network, answered[1]!, answered[3]!, form.get('text') ?? '', headers.authorization)
    const given = /^profiles\/(\d+)\/posts(?:\/by-key\/([\w-]{1,100}))?$/.exec(path)
    if (method === 'POST' && given && !given[2])
      return takePost(network, given[1]!, String(headers['idempotency-key'] ?? ''), body, headers.authorization)
    if (method === 'GET' && given?.[2]) return foundPost(network, given[1]!, given[2], headers.authorization)
    const shownPicture = /^pictures\/(\d+)\/(\d+)$/.exec(path)
    if (method === 'GET' && shownPicture) return pictureGiven(shownPicture[1]!, shownPicture[2]!)
    const picture = /^pictures\/(\d+)\/(\d+)\.svg$/.exec(path)
    if (method === 'GET' && picture) return painted(network, picture[1]!, picture[2]!)
    if (method === 'GET' && path.startsWith('public/'))
      return open(network, path.slice('public/'.length), url.searchParams)
    return undefined
  }

  /** What the network shows to anybody who asks. */
  function open(network: Network, path: string, query: URLSearchParams): Answer | undefined {
    const wait = limited(`public ${network.id}`)
    if (wait) return json(429, { error: 'too many requests' }, { 'retry-after': String(wait) })
    const last = settings.lastComplete()
    if (path === 'volume') {
      const { days, through, next } = pageOf(query.get('from'), addDays(last, -PAST_VOLUME_DAYS), last, false)
      return json(200, { data: days.map((day) => volumeOf(network.id, day, settings.anchor)), through, next })
    }
    if (path === 'estimate') {
      const estimate = reachable(network.id, estimateQueryOf(query))
      return estimate ? json(200, estimate) : json(404, { error: 'too few people' })
    }
    if (path === 'profiles') {
      const profile = PROFILES.map(asNow).find(
        (one) => one.network === network.id && plainHandle(one.handle) === plainHandle(query.get('handle') ?? ''),
      )
      return profile && isThere(profile) ? json(200, shown(profile, last)) : json(404, { error: 'not found' })
    }
    if (path === 'search') {
      const words = (query.get('words') ?? '').toLowerCase().split(/\s+/).filter(Boolean)
      const found = PROFILES.map(asNow)
        .filter(
          (one) =>
            one.network === network.id && isThere(one) && words.every((word) => one.name.toLowerCase().includes(word)),
        )
        .sort((a, b) => b.followers - a.followers)
        .slice(0, MOST_FOUND)
      return json(200, { data: words.length === 0 ? [] : found.map((one) => shown(one, last)) })
    }
    const about = /^profiles\/(\d+)(\/also-followed)?$/.exec(path)
    if (about) {
      const profile = profileOf(network, about[1]!)
      const tells = !about[2] || (ESTIMATING_NETWORKS as readonly string[]).includes(network.id)
      if (!profile || !isThere(profile) || !tells) return json(404, { error: 'not found' })
      if (!about[2]) return json(200, shown(asNow(profile), last))
      const others = alsoFollowed(profile).filter(({ profile: other }) => isThere(other))
      return json(200, { data: others.map(({ profile: other, share }) => ({ ...shown(asNow(other), last), share })) })
    }
    const data = /^profiles\/(\d+)\/(days|posts|reviews)$/.exec(path)
    const profile = data && profileOf(network, data[1]!)
    if (!profile || !isThere(profile)) return json(404, { error: 'not found' })
    const { days, through, next } = pageOf(
      query.get('from'),
      // whoever reads a listing reads all that was ever written about it
      addDays(last, 1 - (data[2] === 'reviews' ? network.historyDays : network.publicDays)),
      last,
      OVERLAPPING.includes(network.id),
    )
    if (data[2] === 'reviews')
      return json(200, { data: withToday(days).flatMap((day) => reviewsNow(profile.remoteId, day)), through, next })
    if (data[2] === 'posts')
      return json(200, {
        data: withToday(days).flatMap((day) => published(profile, day).map(openPart)),
        through,
        next,
      })
    const isOpen = (name: string) => name === 'day' || (PUBLIC_COLUMNS as readonly string[]).includes(name)
    return json(200, {
      data: days
        .flatMap((day) => profileDay(profile, day, last) ?? [])
        .map((day) => Object.fromEntries(Object.entries(day).filter(([name]) => isOpen(name)))),
      through,
      next,
    })
  }

  /** Days, and the one that is not over yet where they end with the last complete one: posts are there at once. */
  const withToday = (days: Day[]): Day[] => {
    const last = settings.lastComplete()
    return days.at(-1) === last ? [...days, addDays(last, 1)] : days
  }

  /** A post that was given to the network, as one of its world. */
  const asPost = (profile: DemoProfile, { remoteId, publishedAt, day, format, text }: Posted): DemoPost => ({
    remoteId,
    publishedAt,
    day,
    format,
    text,
    hasPicture: false,
    ...broughtBy(profile, { day, hour: Number(publishedAt.slice(11, 13)), format, text }, [remoteId, 'given']),
  })

  /** The posts of a day that are there by now, with what has come in so far, and where their pictures are. */
  const published = (profile: DemoProfile, day: Day) => [
    ...drawn(profile, day),
    ...posted.on(profile.remoteId, day).map((given) => {
      const { hasPicture: _, ...now } = postAt(asPost(profile, given), settings.now())
      return given.picture
        ? { ...now, picture: `pictures/${profile.remoteId}/${given.remoteId}`, alt: given.picture.alt }
        : now
    }),
  ]
  const drawn = (profile: DemoProfile, day: Day) =>
    posts(profile, day)
      .filter(({ publishedAt }) => Date.parse(publishedAt) <= settings.now())
      .map((post) => {
        const { hasPicture, ...now } = postAt(post, settings.now())
        return hasPicture
          ? {
              ...now,
              picture: `pictures/${profile.remoteId}/${post.remoteId}.svg`,
              alt: pictureOf(profile.client, post).alt,
            }
          : now
      })

  function painted(network: Network, profileId: string, postId: string): Answer | undefined {
    const profile = profileOf(network, profileId)
    const listed = listingPictureSvg(profileId, postId, dayFromNumber(Number(postId.slice(6, 12))), settings.now())
    if (listed) return { status: 200, headers: { 'content-type': 'image/svg+xml' }, body: listed }
    const day = dayFromNumber(Number(postId.slice(8, 14)))
    const post = profile && posts(profile, day).find(({ remoteId }) => remoteId === postId)
    if (!profile || !post?.hasPicture) return json(404, { error: 'not found' })
    return {
      status: 200,
      headers: { 'content-type': 'image/svg+xml' },
      body: pictureOf(profile.client, post).svg,
    }
  }

  /** A profile under the handle that it has by now, and whether it is there at all. */
  const asNow = (profile: DemoProfile): DemoProfile => {
    const handle = settings.renamed?.get(profile.remoteId)
    return handle === undefined ? profile : { ...profile, handle }
  }
  const isThere = ({ remoteId }: DemoProfile): boolean => !settings.gone?.has(remoteId)

  /** A profile as anybody finds it. */
  function shown(profile: DemoProfile, last: Day) {
    const days = eachDay({ from: addDays(last, -27), to: last })
    const shownPosts = days.flatMap((day) => posts(profile, day))
    return {
      remoteId: profile.remoteId,
      handle: profile.handle,
      name: profile.name,
      followers: profileDay(profile, last, last)?.followers ?? null,
      postsIn28Days: shownPosts.length,
      lastPost: shownPosts.at(-1)?.day ?? null,
    }
  }

  /** The days of a page that begins on one, and where the next begins. */
  function pageOf(
    asked: string | null,
    oldest: Day,
    last: Day,
    overlaps: boolean,
  ): { days: Day[]; through: Day | undefined; next: Day | null } {
    const from = asked === null || asked < oldest ? oldest : asked
    if (from > last) return { days: [], through: undefined, next: null }
    const days = eachDay({ from, to: last }).slice(0, PAGE_DAYS)
    const through = days.at(-1)!
    return { days, through, next: through < last ? (overlaps ? through : addDays(through, 1)) : null }
  }

  function consentPage(network: Network, query: URLSearchParams): Answer {
    const profile = profileOf(network, query.get('login_hint') ?? '')
    if (!profile)
      return {
        status: 404,
        headers: { 'content-type': 'text/html; charset=utf-8' },
        body: '<p>There is no such profile.</p>',
      }
    const hidden = ['state', 'redirect_uri', 'code_challenge', 'login_hint']
      .map((name) => `<input type="hidden" name="${name}" value="${escape(query.get(name) ?? '')}">`)
      .join('')
    return {
      status: 200,
      headers: { 'content-type': 'text/html; charset=utf-8' },
      body: `<!doctype html><html lang="en"><meta charset="utf-8"><title>${network.name}: consent</title>
<style>body{font:16px/1.5 Georgia,serif;max-width:34rem;margin:4rem auto;padding:0 1rem}
button{font:inherit;padding:.4rem 1rem;margin-right:1rem}</style>
<main><h1>${network.name}</h1>
<p>Halyard Row asks to read the private figures of <strong>${escape(profile.name)}</strong>:
reach, impressions, followers won and lost. It publishes and answers there only if you allow that too.</p>
<form method="post" action="/${network.id}/consent">${hidden}
<button name="answer" value="publish">Allow reading and publishing</button>
<button name="answer" value="yes">Allow reading</button>
<button name="answer" value="no">Refuse</button></form></main></html>`,
    }
  }

  function decide(network: Network, form: URLSearchParams): Answer {
    const redirect = form.get('redirect_uri') ?? ''
    const profile = profileOf(network, form.get('login_hint') ?? '')
    const target = URL.canParse(redirect) ? new URL(redirect) : undefined
    if (!profile || !target || !['127.0.0.1', 'localhost', '[::1]'].includes(target.hostname))
      return json(400, { error: 'invalid_request' })
    target.searchParams.set('state', form.get('state') ?? '')
    if (form.get('answer') === 'yes' || form.get('answer') === 'publish') {
      const claims: Claims = {
        use: 'code',
        network: network.id,
        profile: profile.remoteId,
        until: settings.now() + 60_000,
        redirect,
        challenge: form.get('code_challenge') ?? '',
        id: `${settings.now()}-${usedCodes.size}`,
        writes: form.get('answer') === 'publish',
      }
      target.searchParams.set('code', issueToken(claims, settings.secret))
    } else target.searchParams.set('error', 'access_denied')
    return { status: 302, headers: { location: target.href }, body: '' }
  }

  function token(network: Network, form: URLSearchParams): Answer {
    const claims =
      form.get('grant_type') === 'refresh_token'
        ? readToken(form.get('refresh_token') ?? '', 'refresh', settings.secret, settings.now())
        : redeemCode(form)
    if (!claims || claims.network !== network.id) return json(400, { error: 'invalid_grant' })
    return json(
      200,
      {
        ...tokensFor(network.id, claims.profile, settings, claims.writes),
        token_type: 'bearer',
        scope: claims.writes ? 'read publish' : 'read',
        expires_in: ACCESS_LIFE / 1000,
      },
      { 'cache-control': 'no-store' },
    )
  }

  function redeemCode(form: URLSearchParams): Claims | undefined {
    const code = form.get('code') ?? ''
    const claims = readToken(code, 'code', settings.secret, settings.now())
    const challenge = createHash('sha256')
      .update(form.get('code_verifier') ?? '')
      .digest('base64url')
    if (
      !claims ||
      claims.challenge !== challenge ||
      claims.redirect !== form.get('redirect_uri') ||
      usedCodes.has(code)
    )
      return undefined
    usedCodes.add(code)
    return claims
  }

  function figures(network: Network, remoteId: string, what: What, query: URLSearchParams, authorization = ''): Answer {
    const bearer = authorization.replace(/^Bearer /i, '')
    const claims = readToken(bearer, 'access', settings.secret, settings.now())
    if (!claims || claims.network !== network.id || claims.profile !== remoteId)
      return json(401, { error: 'invalid_token' }, { 'www-authenticate': 'Bearer error="invalid_token"' })
    const wait = limited(bearer)
    if (wait) return json(429, { error: 'too many requests' }, { 'retry-after': String(wait) })
    const profile = profileOf(network, remoteId)!
    const last = settings.lastComplete()
    const oldest = addDays(last, 1 - network.historyDays)
    const { days, through, next } = pageOf(query.get('from'), oldest, last, OVERLAPPING.includes(network.id))
    const known = new Map<Day, ReturnType<typeof profileDay>>()
    const dayOf = (day: Day) => {
      if (!known.has(day)) known.set(day, profileDay(profile, day, last))
      return known.get(day)
    }
    const asked = ['posts', 'reviews', 'questions', 'pictures'].includes(what) ? withToday(days) : days
    return json(200, { data: asked.flatMap((day) => dataOf(profile, what, day, dayOf)), through, next, oldest })
  }

  /** Takes an answer to a review or a question, one for each; what it does not allow, it refuses with its reason. */
  function takeAnswer(network: Network, remoteId: string, review: string, text: string, authorization = ''): Answer {
    const refused = writerOf(network, remoteId, authorization)
    if (refused) return refused
    const day = dayFromNumber(Number(review.slice(6, 12)))
    const known = [
      ...reviewsOn(remoteId, day, settings.anchor, settings.now()),
      ...questionsOn(remoteId, day, settings.now()),
    ]
    const isKnown = known.some(({ remote_id: id }) => id === review)
    if (!isKnown) return json(404, { error: 'There is nothing of that kind to answer any more.' })
    if (text.trim() === '' || text.length > 1000) return json(422, { error: 'An answer has 1 to 1,000 letters.' })
    if (/https?:|www\.|\d[\d ()-]{7,}\d/i.test(text))
      return json(422, { error: 'An answer may not hold a web address or a telephone number.' })
    answers.set(review, { at: new Date(settings.now()).toISOString(), text })
    return json(200, { ok: true })
  }

  /** Whoever asks in the name of a profile, or why not. */
  function writerOf(network: Network, remoteId: string, authorization: string): Answer | undefined {
    const bearer = authorization.replace(/^Bearer /i, '')
    const claims = readToken(bearer, 'access', settings.secret, settings.now())
    if (!claims || claims.network !== network.id || claims.profile !== remoteId)
      return json(401, { error: 'invalid_token' }, { 'www-authenticate': 'Bearer error="invalid_token"' })
    const wait = limited(bearer)
    if (wait) return json(429, { error: 'too many requests' }, { 'retry-after': String(wait) })
    if (!claims.writes)
      return json(403, {
        error: `The owner has allowed ${network.name} to be read, and nothing to be published there.`,
      })
    return undefined
  }

  const taken = ({ remoteId, publishedAt }: Posted): Answer => json(201, { remoteId, publishedAt })

  /** The post that was given under a key. */
  function foundPost(network: Network, remoteId: string, key: string, authorization = ''): Answer {
    const found = posted.byKey(key)
    return (
      writerOf(network, remoteId, authorization) ??
      (found && found.profile === remoteId ? taken(found) : json(404, { error: 'There is no post of that key.' }))
    )
  }

  /** Takes a post, one for each key; what breaks the network's rules, or was posted a moment ago, it refuses. */
  function takePost(network: Network, remoteId: string, key: string, body: string, authorization = ''): Answer {
    const refused = writerOf(network, remoteId, authorization)
    if (refused) return refused
    const profile = profileOf(network, remoteId)
    const post = givenPost(body)
    if (!profile || !post || !/^[\w-]{8,100}$/.test(key)) return json(400, { error: 'This is no post.' })
    const known = posted.byKey(key)
    if (known) return taken(known)
    const [problem] = ruleProblems(post, network.id)
    if (problem) return json(422, { error: problem.sentence })
    const at = settings.now()
    const day = dayAt(at, 'UTC')
    const isTwice = [day, addDays(day, -1)]
      .flatMap((each) => posted.on(remoteId, each))
      .some((other) => other.text === post.text && at - Date.parse(other.publishedAt) < 24 * HOUR)
    if (isTwice) return json(422, { error: `${network.name} takes the same words only once a day.` })
    const [shown] = post.media
    return taken(
      posted.keep(
        {
          key,
          network: network.id,
          profile: remoteId,
          publishedAt: new Date(at).toISOString(),
          day,
          format: formatOf(network, post),
          text: post.text,
          ...(shown?.type.startsWith('image/') && { picture: { type: shown.type, alt: shown.alt } }),
          ...(post.preview && { preview: post.preview }),
        },
        shown?.content,
      ),
    )
  }

  function pictureGiven(profile: string, remoteId: string): Answer {
    const post = posted.all().find((each) => each.profile === profile && each.remoteId === remoteId)
    const bytes = post?.picture && posted.pictureOf(remoteId)
    if (!bytes) return json(404, { error: 'not found' })
    return { status: 200, headers: { 'content-type': post.picture!.type }, body: '', bytes }
  }

  function dataOf(
    profile: DemoProfile,
    what: What,
    day: Day,
    dayOf: (day: Day) => ReturnType<typeof profileDay>,
  ): unknown[] {
    if (what === 'posts') return published(profile, day)
    if (what === 'retention') return published(profile, day).flatMap((post) => retentionOf(post) ?? [])
    if (what === 'reviews') return reviewsNow(profile.remoteId, day)
    if (what === 'pictures')
      return listingPicturesOn(profile.remoteId, day, settings.now(), day > settings.lastComplete())
    if (what === 'questions')
      return questionsOn(profile.remoteId, day, settings.now()).map((question) => {
        const taken = answers.get(question.remote_id)
        return taken ? { ...question, answered_at: taken.at, answer: taken.text, answered_by: THE_OWNER } : question
      })
    if (what === 'breakdowns')
      return breakdownsOf(profile, day, dayOf).filter(({ breakdown }) => isRemembered(profile.network, breakdown, day))
    const figures = dayOf(day)
    return figures ? [figures] : []
  }

  /** The reviews that changed on a day, with the answers that were given here. */
  const reviewsNow = (remoteId: string, day: Day) =>
    reviewsOn(remoteId, day, settings.anchor, settings.now()).map((review) => {
      const taken = answers.get(review.remote_id)
      return taken ? { ...review, answered_at: taken.at, answer: taken.text } : review
    })

  /** Whether a network still remembers a breakdown's day: some are forgotten sooner than the figures. */
  const isRemembered = (network: string, breakdown: string, day: Day) => {
    const { historyDays } = breakdownById(breakdown).networks[network]!
    return historyDays === undefined || day > addDays(settings.lastComplete(), -historyDays)
  }

  function limited(bearer: string): number | undefined {
    const minute = Math.floor(Date.now() / 60_000)
    const used = requests.get(bearer)
    const count = used?.minute === minute ? used.count + 1 : 1
    requests.set(bearer, { minute, count })
    return count > settings.requestsPerMinute
      ? Math.max(1, Math.ceil(((minute + 1) * 60_000 - Date.now()) / 1000))
      : undefined
  }

  return { handle }
}

/** What everybody sees of a post: what it says and shows, and how many have reacted. */
const openPart = ({
  remoteId,
  publishedAt,
  day,
  format,
  text,
  reactions,
  comments,
  shares,
  picture,
  alt,
}: Omit<DemoPost, 'hasPicture'> & { picture?: string; alt?: string }) => ({
  remoteId,
  publishedAt,
  day,
  format,
  text,
  reactions,
  comments,
  shares,
  ...(picture !== undefined && { picture, alt }),
})

/** A post as it comes over the line; undefined where it is none. */
function givenPost(body: string) {
  try {
    const { media = [], ...post } = JSON.parse(body) as Record<string, unknown> & { media?: Record<string, unknown>[] }
    const text = (name: string) => String(post[name] ?? '')
    const page = post.preview as Record<string, unknown> | undefined
    return {
      ...(page && {
        preview: {
          title: String(page.title ?? ''),
          description: String(page.description ?? ''),
          hasPicture: page.picture !== undefined,
        },
      }),
      text: text('text'),
      heading: text('heading'),
      collection: text('collection'),
      link: text('link'),
      kind: text('kind'),
      startsOn: text('startsOn'),
      endsOn: text('endsOn'),
      media: media.map(({ type, alt, content }) => {
        const bytes = Buffer.from(String(content ?? ''), 'base64')
        return { type: String(type), alt: String(alt ?? ''), bytes: bytes.length, isAnimated: false, content: bytes }
      }),
    }
  } catch {
    return undefined
  }
}

/** What a network calls a post, by what it shows. */
function formatOf({ formats, id }: Network, post: { kind: string; link: string; media: { type: string }[] }): string {
  if (id === 'waymark') return post.kind
  const isFilm = post.media.some(({ type }) => type.startsWith('video/'))
  const wanted = isFilm
    ? ['video', 'clip', 'film']
    : post.media.length > 0
      ? ['photo', 'pin']
      : post.link
        ? ['link', 'text']
        : ['text']
  return wanted.find((format) => formats.includes(format)) ?? formats[0]!
}

const profileOf = (network: Network, remoteId: string): DemoProfile | undefined =>
  PROFILES.find((profile) => profile.network === network.id && profile.remoteId === remoteId)

/** An access token and a refresh token for a profile, as the consent of its owner gives them. */
export function tokensFor(
  network: string,
  profile: string,
  settings: Pick<StandinSettings, 'secret' | 'now'>,
  writes = true,
): { access_token: string; refresh_token: string } {
  const claims = { network, profile, writes }
  return {
    access_token: issueToken({ ...claims, use: 'access', until: settings.now() + ACCESS_LIFE }, settings.secret),
    refresh_token: issueToken({ ...claims, use: 'refresh', until: settings.now() + REFRESH_LIFE }, settings.secret),
  }
}
