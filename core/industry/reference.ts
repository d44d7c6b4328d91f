import { metricById } from '../metrics/catalogue'
import type { Unit } from '../metrics/metric'
import { columnsGivenBy } from '../metrics/storedFigures'

/** A measure of which an industry has figures: of one profile, and none that grows with the length of the period. */
export interface ReferenceMeasure {
  id: ReferenceMeasureId
  name: string
  unit: Unit
  definition: string
}

const RATES = ['engagement_by_impressions', 'click_rate', 'completion_rate'] as const
export type ReferenceMeasureId = 'post_rate' | 'post_interactions' | 'week_posts' | 'growth' | (typeof RATES)[number]

/** What can be set beside an industry. */
export const REFERENCE_MEASURES: readonly ReferenceMeasure[] = [
  {
    id: 'post_rate',
    name: 'Engagement rate by post',
    unit: 'share',
    definition: 'Mean reactions, comments and shares of a post, divided by the followers of its profile.',
  },
  {
    id: 'post_interactions',
    name: 'Interactions for each post',
    unit: 'times',
    definition: 'Mean reactions, comments and shares of a post.',
  },
  { id: 'week_posts', name: 'Posts a week', unit: 'times', definition: 'Posts for every seven days that are known.' },
  {
    id: 'growth',
    name: 'Growth of followers in four weeks',
    unit: 'share',
    definition: 'Followers on the last day, divided by those 28 days before, less one.',
  },
  ...RATES.map((id): ReferenceMeasure => {
    const { name, unit, definition } = metricById(id)
    return { id, name, unit, definition }
  }),
]

/**
 * A measure by its id.
 *
 * @throws  RangeError when there is no such measure
 * @example referenceMeasure('week_posts').name // 'Posts a week'
 */
export function referenceMeasure(id: string): ReferenceMeasure {
  const measure = REFERENCE_MEASURES.find((one) => one.id === id)
  if (!measure) throw new RangeError(`there is no measure "${id}"`)
  return measure
}

/** A figure of an industry: the middle of many accounts, and their quartiles where its source has them. */
export interface Reference {
  measure: ReferenceMeasureId
  /** Of accounts on one network, or on any where it is empty. */
  network: string
  /** Of accounts from so many followers on, to below so many; absent where that is open. */
  from?: number
  below?: number
  lower?: number
  middle: number
  upper?: number
}

/** A profile as a reference has to fit it. */
export interface Placed {
  network: string
  /** Not known of every profile. */
  followers?: number
}

/**
 * Whether a reference is about accounts such as a profile. One about a size is not, where the profile’s is not known; and
 * one about any network is about accounts that can be followed, and not about listings.
 */
export function fits({ network, from, below }: Reference, profile: Placed): boolean {
  if (network !== '' && network !== profile.network) return false
  if (network === '' && !columnsGivenBy(profile.network).includes('followers')) return false
  if (from === undefined && below === undefined) return true
  const { followers } = profile
  return followers !== undefined && followers >= (from ?? 0) && followers < (below ?? Infinity)
}

/** An open size ends where no account is larger. */
const OPEN = 1e10

/**
 * The reference that is most about accounts such as a profile: of its own network before any, then of the narrowest size,
 * then the newest.
 *
 * @param references  of one measure
 * @returns           undefined where none fits
 * @example           closestReference(references, { network: 'tintype', followers: 18_000 })?.middle // 0.021
 */
export function closestReference<R extends Reference & { day: string }>(
  references: readonly R[],
  profile: Placed,
): R | undefined {
  // sizes are as wide as the one is a multiple of the other
  const width = ({ from = 0, below = OPEN }: Reference) => Math.log((below + 1) / (from + 1))
  return references
    .filter((one) => fits(one, profile))
    .sort(
      (a, b) =>
        Number(b.network !== '') - Number(a.network !== '') ||
        width(a) - width(b) ||
        (a.day < b.day ? 1 : a.day > b.day ? -1 : 0),
    )[0]
}

/** Where a value lies in an industry. */
export type ReferencePlace =
  | 'lowest quarter'
  | 'below the middle'
  | 'at the middle'
  | 'above the middle'
  | 'highest quarter'

/**
 * Where a value lies beside a reference; without quartiles only on which side of the middle.
 *
 * @example placeBeside(0.03, { lower: 0.01, middle: 0.02, upper: 0.028, … }) // 'highest quarter'
 */
export function placeBeside(value: number, { lower, middle, upper }: Reference): ReferencePlace {
  if (lower !== undefined && value < lower) return 'lowest quarter'
  if (upper !== undefined && value > upper) return 'highest quarter'
  if (value === middle) return 'at the middle'
  return value < middle ? 'below the middle' : 'above the middle'
}
