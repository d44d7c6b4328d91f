/** The least number of people, within so many days, below which a network gives no split. */
export interface Minimum {
  people: number
  days: number
}

/**
 * How the parts of a split belong together.
 * - `parts`: every one counts once, so they add up to the whole
 * - `overlapping`: one person can be in several, so they do not add up
 * - `times`: people by how often they saw something, within a window that ends on the day
 */
export type SplitKind = 'parts' | 'overlapping' | 'times'

/** A metric seen by its parts, as some networks give it. */
export interface Split {
  id: string
  name: string
  kind: SplitKind
  /** The metric that is split. */
  metric: string
  /** What a share of it is a share of, in words. */
  base: string
  /** The parts, in their order; absent where they are open, such as names of sites. */
  parts?: readonly { id: string; name: string }[]
  /** The networks that give it, each with its minimum where it has one, and for `times` with its window in days. */
  networks: Readonly<Record<string, { minimum?: Minimum; windowDays?: 7 | 28 }>>
  definition: string
}

const SOURCES = [{ id: 'organic', name: 'Organic' }, { id: 'paid', name: 'Paid' }, { id: 'shared', name: 'Through sharing' }] as const
const FOLLOWERS = [{ id: 'followers', name: 'Followers' }, { id: 'others', name: 'Others' }] as const

/** The people by how often they saw something: the least and the most of each class; the last is open. */
export const TIMES = [
  { id: '1', name: 'once', least: 1, most: 1 }, { id: '2', name: 'twice', least: 2, most: 2 }, { id: '3-4', name: '3 or 4 times', least: 3, most: 4 },
  { id: '5-8', name: '5 to 8 times', least: 5, most: 8 }, { id: '9', name: '9 times and more', least: 9, most: Infinity },
] as const

/** Every split that the product knows, in the order in which they are shown. */
export const SPLITS: readonly Split[] = [
  {
    id: 'impressions_by_source', name: 'Impressions: organic, paid, through sharing', kind: 'parts', metric: 'impressions', base: 'of all impressions', parts: SOURCES, networks: { commons: {}, tintype: {} },
    definition: 'Organic impressions came about by themselves, paid ones through advertising, and those through sharing because somebody passed a post on.',
  },
  {
    id: 'reach_by_source', name: 'Reach: organic, paid, through sharing', kind: 'overlapping', metric: 'reach', base: 'of all reached', parts: SOURCES, networks: { commons: {} },
    definition: 'One person can be reached in more than one way. The three do not add up to the reach: their sum is an upper bound of it, and often above it.',
  },
  {
    id: 'impressions_by_follower', name: 'Impressions: followers and others', kind: 'parts', metric: 'impressions', base: 'of all impressions', parts: FOLLOWERS, networks: { tintype: {}, zoetrope: {}, guildhall: {} },
    definition: 'Impressions with people who followed the profile on that day, and with everybody else.',
  },
  {
    id: 'interactions_by_follower', name: 'Interactions: followers and others', kind: 'parts', metric: 'interactions', base: 'of all interactions', parts: FOLLOWERS, networks: { tintype: {} },
    definition: 'Interactions of people who followed the profile on that day, and of everybody else.',
  },
  {
    id: 'followers_by_origin', name: 'Where new followers came from', kind: 'parts', metric: 'new_followers', base: 'of the new followers whose origin is known',
    parts: [{ id: 'posts', name: 'A post' }, { id: 'search', name: 'A search' }, { id: 'suggested', name: 'A suggestion' }, { id: 'profile', name: 'The profile page' }, { id: 'paid', name: 'Advertising' }],
    networks: { commons: { minimum: { people: 30, days: 1 } }, tintype: { minimum: { people: 30, days: 7 } } },
    definition: 'What a person was looking at when they began to follow. Networks keep it back where only a few people are behind it.',
  },
  {
    id: 'visits_by_site', name: 'Sites that sent visits', kind: 'parts', metric: 'profile_visits', base: 'of the visits whose site is known', networks: { commons: {}, guildhall: {} },
    definition: 'The site on which somebody followed a link to the profile. A visit is not a person.',
  },
  {
    id: 'reach_by_times', name: 'How often people saw something', kind: 'times', metric: 'reach', base: 'of all reached', parts: TIMES, networks: { commons: { windowDays: 7 }, tintype: { windowDays: 28 } },
    definition: 'The people reached, by how often each of them saw something in the days that end the period.',
  },
]

const byId = new Map(SPLITS.map((split) => [split.id, split]))

/**
 * A split by its id.
 *
 * @throws RangeError when there is no such split
 */
export function splitById(id: string): Split {
  const split = byId.get(id)
  if (!split) throw new RangeError(`there is no split "${id}"`)
  return split
}

/** The name of a part: its own where the split is open. */
export const partName = (split: Split, part: string): string => split.parts?.find(({ id }) => id === part)?.name ?? part
