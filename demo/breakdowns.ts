import { DateTime } from 'luxon'
import { addDays, weekday, type Day } from '../core/days/day'
import { PART_MINIMUM, WITHHELD } from '../core/breakdowns/audienceBreakdowns'
import { AGES, BREAKDOWNS, STORED_BREAKDOWNS, TIMES, type Breakdown } from '../core/breakdowns/breakdowns'
import type { PlaceRecord } from '../core/places/place'
import { CLIENTS } from './cast'
import type { DemoProfile } from './profiles'
import { kilometres, TOWNS } from './isles'
import { PLACES } from './places'
import { unit } from './random'
import { byChance, there } from './times'
import type { DemoDay } from './world'

/** One part of a breakdown, as a network gives it for a day. */
export interface DemoPart {
  day: Day
  breakdown: string
  part: string
  value: number
}

/** Shares of a whole as whole numbers that add up to it: the largest remainders are rounded up. */
export function portions(whole: number, shares: readonly number[]): number[] {
  const all = shares.reduce((sum, share) => sum + share, 0)
  const exact = shares.map((share) => (all > 0 ? (whole * share) / all : 0))
  const floors = exact.map(Math.floor)
  let left = whole - floors.reduce((sum, floor) => sum + floor, 0)
  const order = exact
    .map((value, index) => ({ index, rest: value - floors[index]! }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index)
  for (const { index } of order) if (left-- > 0) floors[index]!++
  return floors
}

/** An area with fewer direction requests on a day is not told. */
const LEAST_OF_AREA = 3

const placeAt = (place: PlaceRecord | undefined) => ({
  lat: place?.lat ?? TOWNS[0].lat,
  lon: place?.lon ?? TOWNS[0].lon,
})

const SITES = ['farrowpost.example', 'islesnotes.example', 'townbook.example', 'harbourforum.example']

/**
 * The people by how often they saw something, as if every further time were equally likely: the mean is the frequency.
 */
export function timesOf(people: number, frequency: number): number[] {
  const again = 1 - 1 / Math.max(1, frequency)
  const tail = (times: number) => again ** (times - 1)
  return portions(
    people,
    TIMES.map(({ least, most }) => tail(least) - (Number.isFinite(most) ? tail(most + 1) : 0)),
  )
}

/**
 * The breakdowns that a network gives for a profile's day; what is below its minimum is kept back.
 *
 * @param dayOf  the figures of a day
 */
export function breakdownsOf(profile: DemoProfile, day: Day, dayOf: (day: Day) => DemoDay | undefined): DemoPart[] {
  const figures = dayOf(day)
  if (!figures) return []
  return STORED_BREAKDOWNS.flatMap((breakdown) => {
    const rule = breakdown.networks[profile.network]
    if (!rule) return []
    if (!SEEN_BEFORE.has(breakdown.id)) return ofAudience(profile, breakdown, figures, day)
    if (breakdown.kind === 'times') return ofTimes(breakdown, figures, day, rule.windowDays!, dayOf)
    if (breakdown.kind === 'hours') return ofHours(profile, breakdown, figures, day)
    if (breakdown.kind === 'levels') return ofFollowers(profile, breakdown, figures, day, rule.minimum!.people)
    if (rule.minimum) {
      const back = Array.from(
        { length: rule.minimum.days },
        (_, index) => dayOf(addDays(day, -index))?.new_followers ?? 0,
      )
      if (back.reduce((sum, count) => sum + count, 0) < rule.minimum.people) return []
    }
    return plainParts(profile, breakdown, figures, day)
  })
}

function ofTimes(
  breakdown: Breakdown,
  figures: DemoDay,
  day: Day,
  windowDays: 7 | 28,
  dayOf: (day: Day) => DemoDay | undefined,
): DemoPart[] {
  const people = windowDays === 7 ? figures.reach_7d : figures.reach_28d
  if (!people) return []
  const impressions = Array.from(
    { length: windowDays },
    (_, index) => dayOf(addDays(day, -index))?.impressions ?? 0,
  ).reduce((sum, count) => sum + count, 0)
  return timesOf(people, impressions / people).map((value, index) => ({
    day,
    breakdown: breakdown.id,
    part: TIMES[index]!.id,
    value,
  }))
}

/** Whom the followers of a profile are: networks count them on Sundays, and not where there are few. */
const FOLLOWERS: Record<string, readonly (readonly [string, number])[]> = {
  followers_by_age: [
    ['13-17', 3],
    ['18-24', 14],
    ['25-34', 26],
    ['35-44', 23],
    ['45-54', 16],
    ['55-64', 11],
    ['65+', 7],
  ],
  followers_by_country: [
    ['GB', 62],
    ['IE', 14],
    ['FR', 8],
    ['DE', 5],
    ['NL', 4],
    ['ES', 4],
    ['US', 3],
  ],
  followers_by_company_size: [
    ['1-10', 24],
    ['11-50', 30],
    ['51-200', 22],
    ['201-1000', 14],
    ['1001+', 10],
  ],
  followers_by_seniority: [
    ['Training', 6],
    ['Entry', 24],
    ['Experienced', 38],
    ['Manager', 22],
    ['Director', 10],
  ],
  followers_by_function: [
    ['Marketing', 30],
    ['Education', 22],
    ['Operations', 18],
    ['Research', 16],
    ['Sales', 14],
  ],
  followers_by_industry: [
    ['Tourism', 32],
    ['Public services', 24],
    ['Publishing', 18],
    ['Transport', 14],
    ['Retail', 12],
  ],
}
/** The readers of the magazine live in many countries, most of them five hours west. */
const READERS: readonly (readonly [string, number])[] = [
  ['US', 34],
  ['CA', 17],
  ['GB', 16],
  ['IE', 7],
  ['AU', 6],
  ['NZ', 4],
  ['IN', 4],
  ['ZA', 3],
  ['SG', 3],
  ['DE', 2],
  ['FR', 2],
  ['NL', 2],
]

/** Whom the profiles of a client speak to beside what is told of followers alone: by facet. */
const AUDIENCES: Record<string, readonly (readonly [string, number])[]> = {
  age_gender: AGES.flatMap((age, index) =>
    (
      [
        ['f', [1.6, 7.4, 15.2, 13.6, 8.8, 6, 3.6]],
        ['m', [1.3, 6.2, 10.4, 9, 6.8, 4.8, 3.2]],
        ['u', [0.1, 0.4, 0.5, 0.4, 0.3, 0.2, 0.2]],
      ] as const
    ).map(([gender, shares]) => [`${gender}|${age}`, shares[index]!] as const),
  ),
  town: [
    ['Port Farrow', 31],
    ['St Senan', 16],
    ['Kelling Quay', 12],
    ['Oldharbour', 9],
    ['Trevaun', 7],
    ['Westering', 5],
    ['Elsewhere', 20],
  ],
  language: [
    ['en', 78],
    ['ga', 5],
    ['fr', 7],
    ['de', 4],
    ['es', 3],
    ['nl', 3],
  ],
  device: [
    ['Telephone', 74],
    ['Computer', 17],
    ['Tablet', 9],
  ],
}
/** What changes between those who follow and those who were reached or responded: by what a part's name begins with. */
const LEANINGS: Record<'reached' | 'responded', Record<string, number>> = {
  reached: {
    'm|': 1.25,
    'f|': 0.86,
    'm|18-24': 1.4,
    'GB': 0.86,
    'IE': 1.3,
    'FR': 1.35,
    'CA': 1.3,
    'Elsewhere': 1.6,
    'Tablet': 0.7,
  },
  responded: {
    'f|25-34': 1.45,
    'f|35-44': 1.35,
    'm|': 0.8,
    'GB': 1.08,
    'CA': 1.45,
    'FR': 0.5,
    'DE': 0.6,
    'Port Farrow': 1.3,
  },
}
const leaning = (base: keyof typeof LEANINGS, part: string): number =>
  Object.entries(LEANINGS[base]).reduce(
    (product, [name, factor]) => (part.startsWith(name) ? product * factor : product),
    1,
  )

/** Lantern counts ages in brackets of its own. */
const WIDE_AGES: Record<string, string> = {
  '13-17': '13-24',
  '18-24': '13-24',
  '25-34': '25-44',
  '35-44': '25-44',
  '45-54': '45-64',
  '55-64': '45-64',
  '65+': '65+',
}
const asCounted = (network: string, part: string): string => {
  const [gender, age = ''] = part.split('|')
  return network === 'lantern' && WIDE_AGES[age] ? `${gender}|${WIDE_AGES[age]}` : part
}

/** An audience as a network counts it on Sundays, where it is large enough; parts of a few people it withholds. */
function ofAudience(profile: DemoProfile, breakdown: Breakdown, figures: DemoDay, day: Day): DemoPart[] {
  const [, base, facet] = /^(followers|reached|responded)_by_(\w+)$/.exec(breakdown.id) as unknown as [
    string,
    'followers' | 'reached' | 'responded',
    string,
  ]
  const reach = figures.reach_28d ?? (figures.followers ?? 0) * 1.6
  const people =
    base === 'followers'
      ? (figures.followers ?? 0)
      : Math.round(base === 'reached' ? reach : reach * profile.rate * 2.4)
  if (weekday(day) !== 7 || people < breakdown.networks[profile.network]!.minimum!.people) return []
  const shares =
    facet === 'country' && profile.client === 'orrery-press'
      ? READERS
      : (AUDIENCES[facet] ?? FOLLOWERS[`followers_by_${facet}`]!)
  const month = day.slice(0, 7)
  const values = portions(
    Math.round(people * 0.92),
    shares.map(
      ([part, share]) =>
        share *
        (base === 'followers' ? 1 : leaning(base, part)) *
        (0.85 + 0.3 * unit(profile.remoteId, facet, part, month)),
    ),
  )
  const counted = new Map<string, number>()
  values.forEach((value, index) => {
    const name = asCounted(profile.network, shares[index]![0])
    counted.set(name, (counted.get(name) ?? 0) + value)
  })
  const told = [...counted].filter(([, value]) => value >= PART_MINIMUM)
  const withheld = [...counted].reduce((sum, [, value]) => (value < PART_MINIMUM ? sum + value : sum), 0)
  return [...told, ...(withheld > 0 ? [[WITHHELD, withheld] as const] : [])].map(([part, value]) => ({
    day,
    breakdown: breakdown.id,
    part,
    value,
  }))
}

const SEEN_BEFORE = new Set(BREAKDOWNS.map(({ id }) => id))

function ofFollowers(
  profile: DemoProfile,
  breakdown: Breakdown,
  figures: DemoDay,
  day: Day,
  least: number,
): DemoPart[] {
  const followers = figures.followers ?? 0
  if (weekday(day) !== 7 || followers < least) return []
  const shares =
    breakdown.id === 'followers_by_country' && profile.client === 'orrery-press' ? READERS : FOLLOWERS[breakdown.id]!
  const month = day.slice(0, 7)
  const values = portions(
    Math.round(followers * 0.92),
    shares.map(([part, share]) => share * (0.85 + 0.3 * unit(profile.remoteId, breakdown.id, part, month))),
  )
  return values.map((value, index) => ({ day, breakdown: breakdown.id, part: shares[index]![0], value }))
}

const ZONES = new Map<string, string>(CLIENTS.map(({ slug, timeZone }) => [slug, timeZone]))
/** How many hours west of the magazine most of its readers live, and how many of them. */
const WEST = { hours: 5, share: 0.65 }

/**
 * The followers who were there in each hour of the client's day. An hour that the clock leaves out has none, not zero.
 */
function ofHours(profile: DemoProfile, breakdown: Breakdown, figures: DemoDay, day: Day): DemoPart[] {
  const followers = figures.followers ?? 0
  if (followers < breakdown.networks[profile.network]!.minimum!.people) return []
  const zone = ZONES.get(profile.client)
  const on = weekday(day)
  if (breakdown.id === 'followers_by_own_hour')
    return breakdown.parts!.map(({ id }) => ({
      day,
      breakdown: breakdown.id,
      part: id,
      value: Math.round(followers * there(Number(id), on) * byChance(profile, day, Number(id))),
    }))
  const exists = (hour: number) =>
    DateTime.fromISO(`${day}T${String(hour).padStart(2, '0')}:30`, { zone }).hour === hour
  const level = (hour: number) =>
    profile.client === 'orrery-press'
      ? (1 - WEST.share) * there(hour, on) + WEST.share * there((hour + 24 - WEST.hours) % 24, on)
      : there(hour, on)
  return breakdown
    .parts!.filter(({ id }) => exists(Number(id)))
    .map(({ id }) => ({
      day,
      breakdown: breakdown.id,
      part: id,
      value: Math.round(followers * level(Number(id)) * byChance(profile, day, Number(id))),
    }))
}

function plainParts(profile: DemoProfile, breakdown: Breakdown, figures: DemoDay, day: Day): DemoPart[] {
  const draw = (name: string) => unit(profile.remoteId, day, breakdown.id, name)
  const named = (values: readonly number[], parts: readonly string[]) =>
    values.map((value, index) => ({ day, breakdown: breakdown.id, part: parts[index]!, value }))
  const ids = breakdown.parts?.map(({ id }) => id) ?? []
  const isPaid = unit(profile.remoteId, Math.floor(Date.parse(day) / 86_400_000 / 14), 'paid') < 0.4
  const bySource = [1, isPaid ? 0.25 + 0.2 * draw('paid') : 0, 0.06 + 0.1 * draw('shared')]
  switch (breakdown.id) {
    case 'impressions_by_source':
      return named(portions(figures.impressions ?? 0, bySource), ids)
    case 'reach_by_source': {
      // the ways overlap: together they are more than the people
      const reach = figures.reach_1d ?? 0
      const all = bySource.reduce((sum, share) => sum + share, 0)
      return named(
        bySource.map((share) => Math.min(reach, Math.round((share / all) * reach * (1.08 + 0.1 * draw('overlap'))))),
        ids,
      )
    }
    case 'impressions_by_follower':
      return named(portions(figures.impressions ?? 0, [0.5 + 0.2 * draw('own'), 0.4]), ids)
    case 'interactions_by_follower':
      return named(
        portions(
          (['reactions', 'comments', 'shares', 'saves'] as const).reduce(
            (sum, column) => sum + (figures[column] ?? 0),
            0,
          ),
          [0.7 + 0.2 * draw('own'), 0.25],
        ),
        ids,
      )
    case 'followers_by_origin':
      return named(
        portions(
          figures.new_followers ?? 0,
          ids.map((id, index) => (id === 'paid' && !isPaid ? 0 : (0.5 + draw(id)) / (index + 1))),
        ),
        ids,
      )
    case 'visits_by_site': {
      const values = portions(
        Math.round((figures.profile_visits ?? 0) * 0.3),
        SITES.map((site, index) => (0.4 + draw(site)) / (index + 1)),
      )
      return named(values, SITES).filter(({ value }) => value > 0)
    }
    case 'visits_by_tab':
      return named(
        portions(
          figures.profile_visits ?? 0,
          ids.map((id, index) => (0.6 + 0.4 * draw(id)) / (index + 1) ** 1.3),
        ),
        ids,
      )
    case 'views_by_progress': {
      const views = figures.views ?? 0
      const end = figures.completed_views ?? 0
      const at = (share: number) => Math.round(end + (views - end) * share)
      return named([views, at(0.62), at(0.36), at(0.16), end], ids)
    }
    case 'searches_by_kind':
      return named(portions(figures.searches ?? 0, [0.5 + 0.2 * draw('name'), 0.35, 0.05]), ids)
    case 'listing_views_by_surface':
      return named(portions(figures.listing_views ?? 0, [0.4 + 0.2 * draw('search'), 0.5]), ids)
    case 'directions_by_area': {
      // the nearest towns ask most; what is few on a day is kept back
      const place = PLACES.find(({ remoteId }) => remoteId === profile.remoteId)?.record
      const asked = portions(
        figures.directions ?? 0,
        TOWNS.map((town) => (town.people * (0.6 + 0.8 * draw(town.name))) / (2 + kilometres(town, placeAt(place)))),
      )
      return named(
        asked,
        TOWNS.map(({ name }) => name),
      ).filter(({ value }) => value >= LEAST_OF_AREA)
    }
    case 'calls_by_hour':
      return named(
        portions(
          figures.calls ?? 0,
          ids.map((hour) => Math.max(0, Math.sin(((Number(hour) - 6) / 14) * Math.PI)) * (0.5 + draw(hour))),
        ),
        ids,
      ).filter(({ value }) => value > 0)
    default:
      return []
  }
}
