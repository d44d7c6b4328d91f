import { addDays, dayNumber, daysBetween, weekday, type Day } from '../core/days/day'
import type { FactColumn } from '../core/metrics/storedFigures'
import { networkById } from '../core/networks/networks'
import { POST_COUNTS, type PostMeasure } from '../core/datasets/datasets'
import { EVENTS, NIGHT_OPENINGS, type DemoEvent } from './cast'
import type { DemoProfile } from './profiles'
import { PLACES } from './places'
import { shareOfLife } from './postLife'
import { scatter, unit, wobble } from './random'
import { LANTERN_RIVAL, SWAP_HASHTAG, textOf } from './texts'
import { hourOfPost, timeEffect } from './times'

/** How much more is done from one listing than from another. */
const ACTS = new Map(PLACES.map(({ remoteId, acts }) => [remoteId, acts]))

const twoDigits = (value: number) => String(value).padStart(2, '0')

/** What a network counts of a post, whatever its format. */
type Counted = 'impressions' | 'reactions' | 'comments' | 'shares' | 'saves'

/** A post with what it brought in over its life. */
export type DemoPost = {
  remoteId: string
  publishedAt: string
  day: Day
  format: string
  text: string
  /** Whether it shows a picture: `pictureOf` paints it. */
  hasPicture: boolean
} & Record<Counted, number> &
  Partial<Record<PostMeasure, number>>

export type DemoDay = { day: Day } & Partial<Record<FactColumn, number>>

/** How a post's figures spread over the days of its life. */
const LIFE = [0.5, 0.2, 0.1, 0.07, 0.05, 0.04, 0.04]
const FORMAT_STRENGTH: Record<string, number> = {
  text: 0.8,
  photo: 1,
  video: 1.5,
  link: 0.6,
  story: 0.7,
  clip: 1.7,
  film: 1.2,
  short: 1.1,
  live: 1.2,
  document: 1.3,
  pin: 1,
  news: 0.8,
  event: 1.2,
  offer: 1.1,
  product: 0.9,
}
/** How long a view lasts, in seconds, and how many go on to the end, by network. */
const WATCHED: Record<string, { seconds: number; completed: number }> = {
  zoetrope: { seconds: 11, completed: 0.31 },
  lantern: { seconds: 96, completed: 0.14 },
}
/** A rival has a new hashtag in so many last days. */
const LATE_DAYS = 20
/** How much more the posts of one rival bring that give seeds away. */
const SWAP_EFFECT = 1.7
/** Nobody at the gardens' rivals posts on Commons on a Saturday, though people are there. */
const isAtRest = ({ rival, client, network }: DemoProfile, day: Day): boolean =>
  rival !== undefined && client === 'mossgate-gardens' && network === 'commons' && weekday(day) === 6
const WEEKDAY_STRENGTH = [0.92, 0.9, 0.95, 1, 1.05, 1.2, 1.12]

/**
 * The invented world: a function of a profile and a day, ending on an anchor day. Nothing of it is stored; any period
 * can be made, and made again.
 *
 * @param anchor  the last complete day when the scenario was set up; events are placed before it
 */
export function world(anchor: Day) {
  const posts = memo((profile: DemoProfile, day: Day) => postsOn(profile, day))
  const base = memo((profile: DemoProfile, day: Day) => baseOf(profile, day))

  const eventsOf = (profile: DemoProfile, day: Day): DemoEvent[] => {
    const before = daysBetween(day, anchor)
    return EVENTS.filter(
      ({ client, handle, from, to }) =>
        client === profile.client && (!handle || handle === profile.handle) && before <= from && before >= to,
    )
  }
  const strength = (profile: DemoProfile, day: Day): number => {
    const season = 1 + 0.18 * Math.sin(((dayNumber(day) % 365) / 365) * 2 * Math.PI - 1.1)
    const events = eventsOf(profile, day).reduce((product, { factor }) => product * factor, 1)
    return WEEKDAY_STRENGTH[weekday(day) - 1]! * season * events
  }

  const isThere = ({ begins }: DemoProfile, day: Day): boolean =>
    begins === undefined || daysBetween(day, anchor) <= begins

  function postsOn(profile: DemoProfile, day: Day): DemoPost[] {
    if (!isThere(profile, day)) return []
    if (eventsOf(profile, day).some(({ silent }) => silent) || isAtRest(profile, day)) return []
    const key = [profile.remoteId, day] as const
    const mean = profile.postsPerWeek / 7
    const drawn = Math.floor(mean) + (unit(...key, 'count') < mean - Math.floor(mean) ? 1 : 0)
    const count = Math.max(drawn, eventsOf(profile, day).some(({ mustPost }) => mustPost) ? 1 : 0)
    return Array.from({ length: count }, (_, index) => {
      const formats = networkById(profile.network).formats
      const usual = formats.filter((one) => one !== 'live')
      const drawnFormat = usual[Math.floor(unit(...key, index, 'format') * usual.length)]!
      const isLive = drawnFormat === 'film' && unit(...key, index, 'live') < 0.2
      const format = isLive ? 'live' : drawnFormat
      const hour = hourOfPost(profile, day, unit(...key, index, 'hour'))
      const remoteId = `${profile.remoteId.slice(0, 8)}${String(dayNumber(day)).padStart(6, '0')}${index}`
      const text = textOf(profile, [...key, index], {
        isNight: isAroundNight(profile, day),
        isLate: daysBetween(day, anchor) <= LATE_DAYS,
      })
      return {
        remoteId,
        publishedAt: `${day}T${twoDigits(hour)}:${twoDigits(Math.floor(unit(...key, index, 'minute') * 60))}:00Z`,
        day,
        format,
        text,
        hasPicture: !['text', 'link', 'document'].includes(format),
        ...broughtBy(profile, { day, hour, format, text }, [...key, index]),
      }
    })
  }

  /**
   * What a post brings over its life.
   *
   * @param hour  of UTC
   * @param key   what tells it from others
   */
  function broughtBy(
    profile: DemoProfile,
    { day, hour, format, text }: { day: Day; hour: number; format: string; text: string },
    key: readonly (string | number)[],
  ) {
    const impressions = scatter(
      profile.impressionsPerPost *
        FORMAT_STRENGTH[format]! *
        wobble(0.7, ...key) *
        grown(profile, day) *
        strength(profile, day),
      ...key,
    )
    const interactions =
      impressions *
      profile.rate *
      timeEffect(profile, day, hour) *
      (text.includes(SWAP_HASHTAG) ? SWAP_EFFECT : 1) *
      wobble(0.4, ...key, 'rate')
    return {
      impressions,
      reactions: Math.round(interactions * 0.78),
      comments: Math.round(interactions * 0.09),
      shares: Math.round(interactions * 0.08),
      saves: Math.round(interactions * 0.05),
      ...moreOf(profile, format, impressions, key),
    }
  }

  /** Whether a day lies around a night on which the gardens are open: from a month before to a week after it. */
  const isAroundNight = (profile: DemoProfile, day: Day): boolean =>
    (!profile.rival || profile.rival === LANTERN_RIVAL) &&
    (NIGHT_OPENINGS[profile.client] ?? []).some((night) => {
      const before = daysBetween(day, anchor) - night
      return before <= 30 && before >= -7
    })

  /** What has come in of a post until an instant, of all that it brings over its life. */
  function postAt(post: DemoPost, at: number): DemoPost {
    const hours = (at - Date.parse(post.publishedAt)) / 3_600_000
    const share = shareOfLife(post.format, hours)
    if (share === 1) return post
    const now: DemoPost = { ...post }
    for (const measure of POST_COUNTS) if (post[measure] !== undefined) now[measure] = Math.floor(post[measure] * share)
    return now
  }

  function grown(profile: DemoProfile, day: Day): number {
    const before = daysBetween(day, anchor)
    const { days, growthPerYear } = profile.faster ?? { days: 0, growthPerYear: 0 }
    const late = Math.min(before, days)
    return Math.exp((-Math.log(1 + growthPerYear) * late - Math.log(1 + profile.growthPerYear) * (before - late)) / 365)
  }

  function followers(profile: DemoProfile, day: Day): number {
    const swing = 1 + 0.0006 * Math.sin(dayNumber(day) / 5) + 0.0004 * (unit(profile.remoteId, day, 'swing') - 0.5)
    return Math.round(profile.followers * grown(profile, day) * swing)
  }

  function baseOf(
    profile: DemoProfile,
    day: Day,
  ): Required<Pick<DemoDay, 'impressions' | 'reactions' | 'comments' | 'shares' | 'saves' | 'reach_1d'>> {
    const key = [profile.remoteId, day] as const
    const still = profile.background * grown(profile, day) * strength(profile, day) * wobble(0.25, ...key, 'still')
    const total = {
      impressions: scatter(still, ...key, 'i'),
      reactions: scatter(still * profile.rate * 0.25, ...key, 'r'),
      comments: 0,
      shares: 0,
      saves: 0,
      reach_1d: 0,
    }
    LIFE.forEach((part, age) => {
      for (const post of posts(profile, addDays(day, -age))) {
        const now = part * eventsOf(profile, day).reduce((product, { factor }) => product * Math.min(1, factor), 1)
        total.impressions += Math.round(post.impressions * now)
        total.reactions += Math.round(post.reactions * now)
        total.comments += Math.round(post.comments * now)
        total.shares += Math.round(post.shares * now)
        total.saves += Math.round(post.saves * now)
      }
    })
    total.reach_1d = Math.round(total.impressions / (1.25 + 0.35 * unit(...key, 'frequency')))
    return total
  }

  /** Different people over some days, who come from a pool at random. */
  function peopleOver(pool: number, day: Day, days: number, on: (day: Day) => number): number {
    let missed = 1
    let largest = 0
    for (let back = 0; back < days; back++) {
      const people = on(addDays(day, -back))
      missed *= 1 - Math.min(people, pool * 0.9) / pool
      largest = Math.max(largest, people)
    }
    return Math.max(largest, Math.floor(pool * (1 - missed)))
  }
  const reachOver = (profile: DemoProfile, day: Day, days: number) =>
    peopleOver(profile.followers * 7, day, days, (on) => base(profile, on).reach_1d)
  const visitsOn = (profile: DemoProfile, day: Day) =>
    scatter(base(profile, day).impressions * 0.03, profile.remoteId, day, 'visits')
  const visitorsOn = (profile: DemoProfile, day: Day) =>
    Math.round(visitsOn(profile, day) / (1.1 + 0.3 * unit(profile.remoteId, day, 'visitors')))
  const visitorsOver = (profile: DemoProfile, day: Day, days: number) =>
    peopleOver(Math.max(1, profile.followers), day, days, (on) => visitorsOn(profile, on))

  /** How often a profile is spoken of: in comments and shares, and in what others write. */
  const spokenOf = (profile: DemoProfile, day: Day) => {
    const { comments, shares } = base(profile, day)
    return comments + shares + scatter((comments + shares) * 0.4 + 1, profile.remoteId, day, 'spoken')
  }
  const speakersOn = (profile: DemoProfile, day: Day) =>
    Math.round(spokenOf(profile, day) / (1.05 + 0.2 * unit(profile.remoteId, day, 'speakers')))
  const speakersOver = (profile: DemoProfile, day: Day, days: number) =>
    peopleOver(Math.max(1, Math.round(profile.followers * 0.3)), day, days, (on) => speakersOn(profile, on))

  /** The figures of a profile's day, each worked out when it is asked for; undefined where there is nothing. */
  function figuresOn(profile: DemoProfile, day: Day, asOf: Day): Record<FactColumn, () => number> | undefined {
    if (day > asOf || !isThere(profile, day) || eventsOf(profile, day).some(({ missing }) => missing)) return undefined
    const figures = base(profile, day)
    const provisional = (value: number) => (daysBetween(day, asOf) < 3 ? Math.floor(value * 0.965) : value)
    const gained = followers(profile, day) - followers(profile, addDays(day, -1))
    const lost = scatter(followers(profile, day) * 0.0004, profile.remoteId, day, 'lost')
    const watched = WATCHED[profile.network] ?? { seconds: 6, completed: 0.4 }
    const views = Math.round(figures.impressions * 0.42)
    const acts = ACTS.get(profile.remoteId) ?? 1
    const clicks = scatter(figures.impressions * 0.011 * acts, profile.remoteId, day, 'clicks')
    return {
      comments: () => figures.comments,
      shares: () => figures.shares,
      saves: () => figures.saves,
      impressions: () => provisional(figures.impressions),
      reactions: () => provisional(figures.reactions),
      reach_1d: () => provisional(figures.reach_1d),
      views: () => views,
      watch_seconds: () => Math.round(views * watched.seconds * wobble(0.2, profile.remoteId, day, 'watch')),
      completed_views: () => Math.min(views, scatter(views * watched.completed, profile.remoteId, day, 'completed')),
      searches: () => scatter(figures.impressions * 0.4, profile.remoteId, day, 'searches'),
      listing_views: () => figures.impressions,
      directions: () => scatter(figures.impressions * 0.03 * acts, profile.remoteId, day, 'directions'),
      calls: () => scatter(figures.impressions * 0.008 * acts, profile.remoteId, day, 'calls'),
      clicks: () => clicks,
      site_clicks: () => clicks,
      messages: () => scatter(figures.impressions * 0.002 * acts, profile.remoteId, day, 'messages'),
      bookings: () => scatter(figures.impressions * 0.0035 * acts, profile.remoteId, day, 'bookings'),
      picture_views: () => scatter(figures.impressions * 0.9, profile.remoteId, day, 'picture views'),
      posts: () => posts(profile, day).length,
      profile_visits: () => visitsOn(profile, day),
      followers: () => followers(profile, day),
      new_followers: () => Math.max(0, gained + lost),
      lost_followers: () => Math.max(lost, -gained),
      reach_7d: () => reachOver(profile, day, 7),
      reach_28d: () => reachOver(profile, day, 28),
      visitors_1d: () => visitorsOn(profile, day),
      visitors_7d: () => visitorsOver(profile, day, 7),
      visitors_28d: () => visitorsOver(profile, day, 28),
      spoken_of: () => spokenOf(profile, day),
      speakers_1d: () => speakersOn(profile, day),
      speakers_7d: () => speakersOver(profile, day, 7),
      speakers_28d: () => speakersOver(profile, day, 28),
    }
  }

  /**
   * What a network says of a profile's day.
   *
   * @param asOf  the last complete day when it is asked: the newest three days are still provisional and are restated
   *              later
   * @returns     undefined where the network has nothing for the day
   */
  function profileDay(profile: DemoProfile, day: Day, asOf: Day): DemoDay | undefined {
    const figures = figuresOn(profile, day, asOf)
    if (!figures) return undefined
    // a network works out all that it has, whatever it says: what a sync takes is measured beside that
    const all = new Map(Object.entries(figures).map(([column, figure]) => [column, figure()]))
    return {
      day,
      ...Object.fromEntries(networkById(profile.network).reports.map((column) => [column, all.get(column)])),
    }
  }

  /** The same day with some of its figures, and nothing worked out beside them: for whoever keeps years of it at once. */
  function partOfDay(profile: DemoProfile, day: Day, asOf: Day, columns: readonly FactColumn[]): DemoDay | undefined {
    const figures = figuresOn(profile, day, asOf)
    if (!figures) return undefined
    const wanted = networkById(profile.network).reports.filter((column) => columns.includes(column))
    return { day, ...Object.fromEntries(wanted.map((column) => [column, figures[column]()])) }
  }

  return { profileDay, partOfDay, posts, postAt, broughtBy }
}

/** What else a network counts of a post, by its network and format. */
function moreOf(
  { network }: DemoProfile,
  format: string,
  impressions: number,
  key: readonly (string | number)[],
): Partial<Record<PostMeasure, number>> {
  const part = (name: string, share: number) => Math.round(impressions * share * wobble(0.4, ...key, name))
  const paid = network === 'commons' && unit(...key, 'paid') < 0.12 ? Math.min(impressions, part('paid part', 0.35)) : 0
  const views = part('views', 0.42)
  const watched = (WATCHED[network] ?? { seconds: 6 }).seconds * (format === 'film' || format === 'live' ? 1 : 0.6)
  return {
    reach: Math.min(impressions, Math.round(impressions / (1.15 + 0.3 * unit(...key, 'frequency')))),
    ...(network === 'commons' && { paid_impressions: paid }),
    ...(!['story', 'clip', 'short', 'film', 'live'].includes(format) && { clicks: part('clicks', 0.012) }),
    ...(['video', 'clip', 'short', 'film', 'live'].includes(format) && {
      views,
      watch_seconds: Math.round(views * watched * wobble(0.3, ...key, 'watched')),
    }),
    ...(format === 'story' && {
      story_exits: part('exits', 0.09),
      story_nexts: part('nexts', 0.55),
      story_backs: part('backs', 0.04),
      replies: part('replies', 0.006),
    }),
    ...(format === 'live' && { peak_viewers: part('peak', 0.07) }),
  }
}

function memo<T>(make: (profile: DemoProfile, day: Day) => T): (profile: DemoProfile, day: Day) => T {
  const known = new Map<string, T>()
  return (profile, day) => {
    const key = `${profile.remoteId} ${day}`
    let value = known.get(key)
    if (value === undefined) {
      if (known.size > 50_000) known.clear()
      value = make(profile, day)
      known.set(key, value)
    }
    return value
  }
}
