import type { Metric, UniqueMetric } from '../metrics/metric'
import type { ReachBounds } from '../reach/reachBounds'
import type { ProfileAggregate } from './aggregate'
import type { OwnFlow, Presence } from './daysWith'
import type { FoundPair } from './pairedDays'

/** What was found out about an aggregate, by metric: it stands in the whole, in the profile's row and in its rates. */
interface FoundOut {
  of: ProfileAggregate
  /** How many days its period has. */
  length?: number
  flows: Partial<Record<string, OwnFlow>>
  /** The days that a rate has. */
  days?: Map<Metric, Presence>
  /** On how many days there is a number of people. */
  counted?: Map<UniqueMetric, number>
  /** With which days of another period it was compared last. */
  pairs?: Map<Metric, FoundPair>
  bounds?: Map<UniqueMetric, ReachBounds | undefined>
}

const FOUND = Symbol('found out')

/**
 * Where everything is kept that was found out about an aggregate. It hangs on the aggregate itself, where it is found
 * far faster than in a table of all aggregates; a copy of the aggregate begins anew.
 */
export function foundOut(aggregate: ProfileAggregate & { [FOUND]?: FoundOut }): FoundOut {
  const known = aggregate[FOUND]
  return known?.of === aggregate ? known : (aggregate[FOUND] = { of: aggregate, flows: {} })
}
