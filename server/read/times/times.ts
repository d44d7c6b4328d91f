import { addDays } from '../../../core/days/day'
import type { Period } from '../../../core/periods/period'
import { arrivals, type Look } from '../../../core/times/arrivals'
import type { RespondedPost } from '../../../core/times/besideUsual'
import { zonesOfCountry } from '../../../core/times/fromOwnHours'
import { goodSlots } from '../../../core/times/goodSlots'
import type { LiftsOfPosts } from '../../../core/times/liftsOfPosts'
import { planTries } from '../../../core/times/planTries'
import { responseOf, RESPONSES } from '../../../core/times/responses'
import { localClock, slotOf } from '../../../core/times/slots'
import { suggestSlots } from '../../../core/times/suggestSlots'
import { networkById } from '../../../core/networks/networks'
import type {
  KeepTriesInput,
  NetworkTimes,
  TimesMark,
  TimesQuery,
  TimesTry,
  TimesView,
} from '../../../shared/read/times'
import type { ProfileRow } from '../../figures/questions/profileRows'
import type { ResolvedScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { badRequest } from '../../platform/problems/problem'
import { threadOf } from '../../platform/threads'
import { knownThere, shownThere, whyNotThere } from './audienceOfTimes'
import { looksOfTimes, MOST_POSTS, postsOfTimes, type TimedPost } from './postsOfTimes'
import { keepTries, scheduledFrom, thought, triesOf, type TryRow } from './tries'

/** How long a post gathers before it is judged, and how many posts are marked on the lines. */
const [YOUNG_MS, MOST_MARKS] = [7 * 86_400_000, 300]
/** When interactions arrive is told from the posts of so many days. */
const ARRIVAL_DAYS = 84
/** A post is the one of a try when it was published so long before its hour began or after. */
const [EARLY_MS, LATE_MS] = [1_800_000, 3_600_000]
const HOUR_MS = 3_600_000
const WEEK_MS = 168 * HOUR_MS

const inThread = threadOf<{ posts: readonly RespondedPost[]; zone: string }, LiftsOfPosts>(
  'server/read/times/liftsThread.ts',
)

/** A post that counts, and what became of the others. */
interface Counted {
  judged: { post: TimedPost; responded: RespondedPost }[]
  left: Omit<TimesView['posts'], 'counted' | 'isCut'>
}

/**
 * When to post: when the audience is there, when interactions arrive, when posts did well, what that suggests, what is
 * not known yet, and what became of tries.
 *
 * @param at  the beginning of this hour, so that an answer is true for all of it
 * @throws    Problem 400 when the network or the country cannot be looked at
 */
export async function timesOf(
  db: ClientDb,
  scope: ResolvedScope,
  query: TimesQuery,
  at = thisHour(),
): Promise<TimesView> {
  const own = scope.connected.filter(({ network }) => query.network === '' || network === query.network)
  if (query.network !== '' && own.length === 0)
    throw badRequest(`None of these profiles is on ${networkById(query.network).name}. Choose another network.`)
  const zone = zoneOf(db, query.zone)
  const { to } = scope.period
  const period = { from: addDays(to, 1 - 7 * query.weeks), to }
  const ids = scope.connected.map(({ profile_id: id }) => id)
  const rows = ids.length > 0 ? await postsOfTimes(db, ids, period) : []
  const posts = rows.slice(0, MOST_POSTS)
  const of = new Map(scope.connected.map((profile) => [profile.profile_id, profile]))
  const isShown = ({ profile }: TimedPost) => own.some(({ profile_id: id }) => id === profile)
  const counted = count(posts.filter(isShown), query, at)
  const lifted = await inThread({ posts: counted.judged.map(({ responded }) => responded), zone })
  const there = await knownThere(db, scope.connected, to)
  const shown = shownThere(
    there.profiles.filter(({ profile }) => query.network === '' || profile.network === query.network),
    to,
    zone,
  )
  const isBeyond = lifted.chance?.isBeyond ?? false
  const kept = ids.length > 0 ? await triesOf(db, ids) : []
  const ahead = kept.filter(({ plannedAt }) => plannedAt.getTime() >= at)
  const clock = localClock(zone)
  const ownIds = own.map(({ profile_id: id }) => id)
  const scheduled = ownIds.length > 0 ? await scheduledFrom(db, ownIds, at) : []
  const taken = [
    ...ahead
      .filter(({ profile }) => ownIds.includes(profile))
      .map(({ profile, plannedAt }) => ({ profile, at: plannedAt.getTime(), text: '' })),
    ...scheduled.map(({ at: planned, ...post }) => ({ ...post, at: planned.getTime() })),
  ].sort((a, b) => a.at - b.at)
  // beyond the next week each slot comes again
  const soon = taken.filter((each) => each.at < at + WEEK_MS + query.apart * HOUR_MS)
  const arrived = await arrivalsOf(db, own, to, zone, query)
  return {
    zone,
    countries: there.countries,
    networks: networksOf(scope.connected),
    profiles: own.map(({ profile_id: id, name, networkName }) => ({ id, name: `${name}, ${networkName}` })),
    period,
    posts: { counted: counted.judged.length, ...counted.left, isCut: rows.length > MOST_POSTS },
    ...(shown ? { there: shown } : { whyNotThere: whyNotThere(own, to) }),
    ...(arrived && { arrivals: arrived }),
    lifts: lifted.lifts.slots,
    ...(lifted.chance && { chance: lifted.chance }),
    marks: marksOf(counted, lifted, clock),
    suggestions: suggestSlots({
      lifts: lifted.lifts.slots,
      isBeyond,
      ...(shown && { there: shown.slots.map((slot) => slot?.ofAll) }),
      wanted: query.wanted,
      apartHours: query.apart,
      taken: soon,
      profiles: ownIds,
      from: at,
      zone,
    }),
    taken: taken.filter((each) => each.at < at + WEEK_MS).length,
    takenBy: soon.map(({ profile, ...post }) => ({
      ...post,
      profile,
      profileName: `${of.get(profile)!.name}, ${of.get(profile)!.networkName}`,
    })),
    planned: planTries({
      lifts: lifted.lifts,
      ...(shown && { there: shown.slots.map((slot) => slot?.ofFullest) }),
      wanted: query.tries,
      apartHours: query.apart,
      takenAt: taken.map((each) => each.at),
      from: at,
      zone,
    }),
    tries: kept
      .filter(({ profile }) => own.some(({ profile_id: id }) => id === profile))
      .map((row) => tryOf(row, of.get(row.profile)!, posts, counted, lifted, clock, query, at)),
    byNetwork: await byNetworkOf(scope.connected, posts, there.profiles, zone, query, at),
  }
}

/** The beginning of the hour that it is. */
export const thisHour = (): number => Math.floor(now() / HOUR_MS) * HOUR_MS

/** @throws Problem 400 when nothing is known of the country's zone */
function zoneOf(db: ClientDb, country: string): string {
  if (country === '') return db.timeZone
  const [most] = zonesOfCountry(country)
  if (!most) throw badRequest(`There is no country “${country}” with a time zone. Choose one from the list.`)
  return most.zone
}

const networksOf = (profiles: readonly ProfileRow[]) =>
  [...new Set(profiles.map(({ network }) => network))].sort().map((id) => ({ id, name: networkById(id).name }))

/** The posts that can be judged, and how many of the others there are and why. */
function count(posts: readonly TimedPost[], { response, base }: TimesQuery, at: number): Counted {
  const left = { paid: 0, young: 0, unknown: 0 }
  const judged = posts.flatMap((post) => {
    const known = responseOf(post, response, base)
    if ((post.paid_impressions ?? 0) > 0) left.paid++
    else if (at - post.publishedAt.getTime() < YOUNG_MS) left.young++
    else if (!known) left.unknown++
    else {
      const { profile, format, publishedAt } = post
      return [{ post, responded: { at: publishedAt.getTime(), profile, format, ...known } }]
    }
    return []
  })
  return { judged, left }
}

/**
 * How far posts were from what is usual for their profile and format, as shares, by profile and id; those that cannot be
 * judged are not there.
 *
 * @param at  the beginning of this hour
 */
export async function postsBesideUsual(
  db: ClientDb,
  scope: ResolvedScope,
  query: TimesQuery,
  at = thisHour(),
): Promise<Map<string, number>> {
  const { to } = scope.period
  const ids = scope.connected.map(({ profile_id: id }) => id)
  if (ids.length === 0) return new Map()
  const posts = await postsOfTimes(db, ids, { from: addDays(to, 1 - 7 * query.weeks), to })
  const { judged } = count(posts.slice(0, MOST_POSTS), query, at)
  const { residuals } = await inThread({ posts: judged.map(({ responded }) => responded), zone: db.timeZone })
  return new Map(judged.map(({ post: { profile, id } }, index) => [`${profile} ${id}`, Math.expm1(residuals[index]!)]))
}

/** The newest of the judged posts as marks. */
const marksOf = ({ judged }: Counted, { residuals }: LiftsOfPosts, clock: (at: number) => number): TimesMark[] =>
  judged.slice(0, MOST_MARKS).map(({ post, responded: { at } }, index) => {
    const local = clock(at)
    return {
      profile: post.profile,
      id: post.id,
      at,
      hours: slotOf(local) + (((local % HOUR_MS) + HOUR_MS) % HOUR_MS) / HOUR_MS,
      beside: Math.expm1(residuals[index]!),
      text: post.text,
    }
  })

async function arrivalsOf(
  db: ClientDb,
  profiles: readonly ProfileRow[],
  to: string,
  zone: string,
  { response }: TimesQuery,
): Promise<TimesView['arrivals']> {
  if (profiles.length === 0) return undefined
  const period: Period = { from: addDays(to, 1 - ARRIVAL_DAYS), to }
  const rows = await looksOfTimes(
    db,
    profiles.map(({ profile_id: id }) => id),
    period,
    RESPONSES.find(({ id }) => id === response)!.columns,
  )
  const posts = new Map<string, { publishedAt: number; looks: Look[] }>()
  for (const { profile, id, publishedAt, at, value } of rows) {
    const key = `${profile} ${id}`
    const post = posts.get(key) ?? { publishedAt: publishedAt.getTime(), looks: [] }
    posts.set(key, post)
    post.looks.push({ at: at.getTime(), value: Number(value) })
  }
  const { slots, all, placed } = arrivals([...posts.values()], zone)
  return slots && { slots, placed: placed / all, posts: posts.size }
}

/** What became of a try. */
function tryOf(
  row: TryRow,
  profile: ProfileRow,
  posts: readonly TimedPost[],
  { judged }: Counted,
  { lifts, residuals }: LiftsOfPosts,
  clock: (at: number) => number,
  { response, base }: TimesQuery,
  at: number,
): TimesTry {
  const begins = row.plannedAt.getTime()
  const lies = ({ publishedAt }: TimedPost) => publishedAt.getTime() - begins
  const [post] = posts
    .filter((each) => each.profile === row.profile && lies(each) >= -EARLY_MS && lies(each) <= LATE_MS)
    .sort((a, b) => Math.abs(lies(a)) - Math.abs(lies(b)))
  const index = post ? judged.findIndex((each) => each.post === post) : -1
  const slot = slotOf(clock(begins))
  const isSame = row.response === response && row.base === base
  return {
    id: row.id,
    profile: row.profile,
    profileName: `${profile.name}, ${profile.networkName}`,
    slot,
    plannedAt: row.plannedAt,
    isAhead: begins >= at,
    before: thought(row),
    ...(post && { post: { id: post.id, ...(isSame && index >= 0 && { beside: Math.expm1(residuals[index]!) }) } }),
    ...(isSame && { now: thought(lifts.slots[slot]!) }),
  }
}

/** Every network by itself, beside the others. */
async function byNetworkOf(
  profiles: readonly ProfileRow[],
  posts: readonly TimedPost[],
  there: Awaited<ReturnType<typeof knownThere>>['profiles'],
  zone: string,
  query: TimesQuery,
  at: number,
): Promise<NetworkTimes[]> {
  const all = await Promise.all(
    networksOf(profiles).map(async ({ id, name }): Promise<NetworkTimes> => {
      const members = new Set(
        profiles.filter(({ network }) => network === id).map(({ profile_id: profile }) => profile),
      )
      const { judged } = count(
        posts.filter(({ profile }) => members.has(profile)),
        query,
        at,
      )
      const { lifts, chance } = await inThread({ posts: judged.map(({ responded }) => responded), zone })
      const audience = shownThere(
        there.filter(({ profile }) => profile.network === id),
        '',
        zone,
      )
      const [best] = goodSlots(lifts.slots, chance?.isBeyond ?? false)
      const shares = audience?.slots.map((slot) => slot?.ofFullest ?? null)
      return {
        id,
        name,
        posts: judged.length,
        ...(chance && { isBeyond: chance.isBeyond }),
        ...(shares && { there: shares, fullest: shares.indexOf(1) }),
        ...(best && { best }),
      }
    }),
  )
  return all.filter(({ posts: many, there: known }) => many > 0 || known)
}

/**
 * Keeps the tries that are planned now, for a profile of the scope.
 *
 * @throws Problem 400 when the profile is not one of those, or nothing can be planned
 */
export async function keepPlanned(
  db: ClientDb,
  scope: ResolvedScope,
  { profile, ...query }: KeepTriesInput,
): Promise<number[]> {
  const { planned, profiles, lifts } = await timesOf(db, scope, query)
  if (!profiles.some(({ id }) => id === profile)) throw badRequest('Choose one of the profiles that are shown.')
  if (planned.length === 0) throw badRequest('There is no room for another try within eight weeks.')
  return keepTries(
    db,
    profile,
    query,
    planned.map(({ slot, at }) => ({ at, mean: lifts[slot]!.mean, spread: lifts[slot]!.spread })),
  )
}
