import { Unreadable } from '../unreadable'
import { audienceBreakdowns } from './audienceBreakdowns'

/** The least number of people, within so many days, below which a network gives no breakdown. */
export interface Minimum {
  people: number
  days: number
}

/**
 * How the parts of a breakdown belong together.
 * - `parts`: every one counts once, so they add up to the whole
 * - `overlapping`: one person can be in several, so they do not add up
 * - `times`: people by how often they saw something, within a window that ends on the day
 * - `levels`: a level, such as followers, by what is known of them; the last snapshot counts, no older than seven days
 * - `nested`: each part is a part of the one before it, so that they are compared with the first
 * - `hours`: people who were there in an hour of the day; one can be there in several, so hours are not added, and days
 * give their mean
 */
export type BreakdownKind = 'parts' | 'overlapping' | 'times' | 'levels' | 'nested' | 'hours'

/** A metric seen by its parts, as some networks give it. */
export interface Breakdown {
  id: string
  /** What stands for it in the database; never given to another. */
  code: number
  name: string
  kind: BreakdownKind
  /** The metric that is broken down. */
  metric: string
  /** What a share of it is a share of, in words. */
  base: string
  /** The parts, in their order; absent where they are open, such as names of sites. */
  parts?: readonly { id: string; name: string }[]
  /**
   * The networks that give it, each with its minimum where it has one, for `times` with its window in days, and with
   * how many days back it is remembered where that is less than the rest.
   */
  networks: Readonly<Record<string, { minimum?: Minimum; windowDays?: 7 | 28; historyDays?: number }>>
  /** What a part that has no name of its own is named by: countries by ISO 3166-1, languages by BCP 47. */
  naming?: 'country' | 'language'
  definition: string
}

/** The brackets in which networks give age. */
export const AGES = ['13-17', '18-24', '25-34', '35-44', '45-54', '55-64', '65+'] as const
const named = (names: readonly string[]) => names.map((name) => ({ id: name, name }))
const PEOPLE = { minimum: { people: 100, days: 1 } }
const HOURS = Array.from({ length: 24 }, (_, hour) => ({
  id: String(hour),
  name: `${String(hour).padStart(2, '0')}:00`,
}))

const SOURCES = [
  { id: 'organic', name: 'Organic' },
  { id: 'paid', name: 'Paid' },
  { id: 'shared', name: 'Through sharing' },
] as const
const FOLLOWERS = [
  { id: 'followers', name: 'Followers' },
  { id: 'others', name: 'Others' },
] as const

/** The people by how often they saw something: the least and the most of each class; the last is open. */
export const TIMES = [
  { id: '1', name: 'once', least: 1, most: 1 },
  { id: '2', name: 'twice', least: 2, most: 2 },
  { id: '3-4', name: '3 or 4 times', least: 3, most: 4 },
  { id: '5-8', name: '5 to 8 times', least: 5, most: 8 },
  { id: '9', name: '9 times and more', least: 9, most: Infinity },
] as const

/** Every breakdown that the product knows, in the order in which they are shown. */
export const BREAKDOWNS: readonly Breakdown[] = [
  {
    id: 'impressions_by_source',
    code: 1,
    name: 'Impressions: organic, paid, through sharing',
    kind: 'parts',
    metric: 'impressions',
    base: 'of all impressions',
    parts: SOURCES,
    networks: { commons: {}, tintype: {} },
    definition:
      'Organic impressions came about by themselves, paid ones through advertising, and those through sharing ' +
      'because somebody passed a post on.',
  },
  {
    id: 'reach_by_source',
    code: 2,
    name: 'Reach: organic, paid, through sharing',
    kind: 'overlapping',
    metric: 'reach',
    base: 'of all reached',
    parts: SOURCES,
    networks: { commons: {} },
    definition:
      'One person can be reached in more than one way. The three do not add up to the reach: their sum is an ' +
      'upper bound of it, and often above it.',
  },
  {
    id: 'impressions_by_follower',
    code: 3,
    name: 'Impressions: followers and others',
    kind: 'parts',
    metric: 'impressions',
    base: 'of all impressions',
    parts: FOLLOWERS,
    networks: { tintype: {}, zoetrope: {}, guildhall: {} },
    definition: 'Impressions with people who followed the profile on that day, and with everybody else.',
  },
  {
    id: 'interactions_by_follower',
    code: 4,
    name: 'Interactions: followers and others',
    kind: 'parts',
    metric: 'interactions',
    base: 'of all interactions',
    parts: FOLLOWERS,
    networks: { tintype: {} },
    definition: 'Interactions of people who followed the profile on that day, and of everybody else.',
  },
  {
    id: 'followers_by_origin',
    code: 5,
    name: 'Where new followers came from',
    kind: 'parts',
    metric: 'new_followers',
    base: 'of the new followers whose origin is known',
    parts: [
      { id: 'posts', name: 'A post' },
      { id: 'search', name: 'A search' },
      { id: 'suggested', name: 'A suggestion' },
      { id: 'profile', name: 'The profile page' },
      { id: 'paid', name: 'Advertising' },
    ],
    networks: { commons: { minimum: { people: 30, days: 1 } }, tintype: { minimum: { people: 30, days: 7 } } },
    definition:
      'What a person was looking at when they began to follow. Networks keep it back where only a few people are behind it.',
  },
  {
    id: 'visits_by_site',
    code: 6,
    name: 'Sites that sent visits',
    kind: 'parts',
    metric: 'profile_visits',
    base: 'of the visits whose site is known',
    networks: { commons: {}, guildhall: {} },
    definition: 'The site on which somebody followed a link to the profile. A visit is not a person.',
  },
  {
    id: 'visits_by_tab',
    code: 41,
    name: 'What of the profile was opened',
    kind: 'parts',
    metric: 'profile_visits',
    base: 'of all visits to the profile',
    parts: [
      { id: 'home', name: 'Its first page' },
      { id: 'posts', name: 'Posts' },
      { id: 'pictures', name: 'Pictures' },
      { id: 'about', name: 'About' },
      { id: 'events', name: 'Events' },
    ],
    networks: { commons: {} },
    definition: 'Which part of the profile a visit began with. A visit is not a person.',
  },
  {
    id: 'reach_by_times',
    code: 7,
    name: 'How often people saw something',
    kind: 'times',
    metric: 'reach',
    base: 'of all reached',
    parts: TIMES,
    networks: { commons: { windowDays: 7 }, tintype: { windowDays: 28 } },
    definition: 'The people reached, by how often each of them saw something in the days that end the period.',
  },
  {
    id: 'views_by_progress',
    code: 8,
    name: 'How far videos were watched',
    kind: 'nested',
    metric: 'views',
    base: 'of all views that began',
    networks: { lantern: {} },
    parts: [
      { id: '0', name: 'Began' },
      { id: '25', name: 'A quarter' },
      { id: '50', name: 'Half' },
      { id: '75', name: 'Three quarters' },
      { id: '100', name: 'To the end' },
    ],
    definition: 'Views that came at least so far. Each is a part of the one before.',
  },
  {
    id: 'followers_by_hour',
    code: 9,
    name: 'When followers are there',
    kind: 'hours',
    metric: 'followers',
    base: 'of all followers',
    parts: HOURS,
    networks: { tintype: { ...PEOPLE, historyDays: 35 } },
    definition:
      'Followers who opened the network in an hour of the day, in the client’s time zone, on a typical day of ' +
      'the period. One person can be there in several hours, so the hours are not added.',
  },
  {
    id: 'followers_by_own_hour',
    code: 43,
    name: 'When followers are there, by their own clocks',
    kind: 'hours',
    metric: 'followers',
    base: 'of all followers',
    parts: HOURS,
    networks: { zoetrope: { ...PEOPLE, historyDays: 35 } },
    definition:
      'Followers who opened the network in an hour of their own day, wherever they live, on a typical day of the ' +
      'period. One person can be there in several hours, so the hours are not added.',
  },
  {
    id: 'followers_by_age',
    code: 10,
    name: 'Followers by age',
    kind: 'levels',
    metric: 'followers',
    base: 'of the followers whose age is known',
    parts: named(AGES),
    networks: { commons: PEOPLE, tintype: PEOPLE, zoetrope: PEOPLE, lantern: PEOPLE },
    definition: 'Followers by the age that the network has for them, as it counted them last.',
  },
  {
    id: 'followers_by_country',
    code: 11,
    name: 'Followers by country',
    kind: 'levels',
    metric: 'followers',
    base: 'of the followers whose country is known',
    naming: 'country',
    networks: { commons: PEOPLE, tintype: PEOPLE, zoetrope: PEOPLE, lantern: PEOPLE, murmur: PEOPLE, cork: PEOPLE },
    definition: 'Followers by the country in which the network sees them, as it counted them last.',
  },
  {
    id: 'followers_by_company_size',
    code: 12,
    name: 'Followers by company size',
    kind: 'levels',
    metric: 'followers',
    base: 'of the followers whose company is known',
    parts: named(['1-10', '11-50', '51-200', '201-1000', '1001+']),
    networks: { guildhall: PEOPLE },
    definition: 'Followers by how many people their company has.',
  },
  {
    id: 'followers_by_seniority',
    code: 13,
    name: 'Followers by seniority',
    kind: 'levels',
    metric: 'followers',
    base: 'of the followers whose position is known',
    parts: named(['Training', 'Entry', 'Experienced', 'Manager', 'Director']),
    networks: { guildhall: PEOPLE },
    definition: 'Followers by how far they have come in their profession.',
  },
  {
    id: 'followers_by_function',
    code: 14,
    name: 'Followers by function',
    kind: 'levels',
    metric: 'followers',
    base: 'of the followers whose work is known',
    networks: { guildhall: PEOPLE },
    definition: 'Followers by what they do at work.',
  },
  {
    id: 'followers_by_industry',
    code: 15,
    name: 'Followers by industry',
    kind: 'levels',
    metric: 'followers',
    base: 'of the followers whose industry is known',
    networks: { guildhall: PEOPLE },
    definition: 'Followers by the industry of their company.',
  },
  {
    id: 'searches_by_kind',
    code: 16,
    name: 'Searches by kind',
    kind: 'parts',
    metric: 'searches',
    base: 'of all searches',
    networks: { waymark: {} },
    parts: [
      { id: 'name', name: 'For the name' },
      { id: 'kind', name: 'For what it is' },
      { id: 'brand', name: 'For a brand' },
    ],
    definition: 'What somebody searched for when the listing was found.',
  },
  {
    id: 'listing_views_by_surface',
    code: 17,
    name: 'Listing views: search and map',
    kind: 'parts',
    metric: 'listing_views',
    base: 'of all listing views',
    parts: [
      { id: 'search', name: 'In a search' },
      { id: 'map', name: 'On a map' },
    ],
    networks: { waymark: {} },
    definition: 'Where the listing was looked at.',
  },
  {
    id: 'directions_by_area',
    code: 42,
    name: 'Direction requests by area',
    kind: 'parts',
    metric: 'directions',
    base: 'of all direction requests whose area is told',
    networks: { waymark: {} },
    definition:
      'Where somebody was who asked for the way. An area with few requests on a day is withheld by the network.',
  },
  {
    id: 'calls_by_hour',
    code: 18,
    name: 'Calls by hour',
    kind: 'parts',
    metric: 'calls',
    base: 'of all calls',
    parts: HOURS,
    networks: { waymark: {} },
    definition: 'The hour of the day, in the client’s time zone, in which somebody called from the listing.',
  },
]

/** Every breakdown that is stored: also those of audiences, which have a page of their own. */
export const STORED_BREAKDOWNS: readonly Breakdown[] = [
  ...BREAKDOWNS,
  ...audienceBreakdowns(new Set(BREAKDOWNS.map(({ code }) => code))),
]

const byId = new Map(STORED_BREAKDOWNS.map((breakdown) => [breakdown.id, breakdown]))

/**
 * A breakdown by its id.
 *
 * @throws Unreadable when there is no such breakdown
 */
export function breakdownById(id: string): Breakdown {
  const breakdown = byId.get(id)
  if (!breakdown) throw new Unreadable(`there is no breakdown "${id}"`)
  return breakdown
}

/**
 * The name of a part: its own where the breakdown is open, and of a country the one that it has in English.
 *
 * @example partName(breakdownById('followers_by_country'), 'IE') // 'Ireland'
 */
export function partName(breakdown: Breakdown, part: string): string {
  if (breakdown.naming === 'country' && /^[A-Z]{2}$/.test(part))
    return new Intl.DisplayNames(['en'], { type: 'region' }).of(part) ?? part
  if (breakdown.naming === 'language' && /^[a-z]{2,3}$/.test(part))
    return new Intl.DisplayNames(['en'], { type: 'language' }).of(part) ?? part
  return breakdown.parts?.find(({ id }) => id === part)?.name ?? part
}
