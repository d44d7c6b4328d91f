import type { Metric, UniqueMetric } from '../metrics/metric'
import type { ReachBounds } from '../reach/reachBounds'
import type { ProfileAggregate } from './aggregate'
import type { OwnFlow, Presence } from './daysWith'

/** What was found out about an aggregate, by metric: it stands in the whole, in the profile's row and in its rates. */
interface FoundOut {
  flows: Map<Metric, OwnFlow>
  /** The days that a rate has. */
  days?: Map<Metric, Presence>
  /** On how many days there is a number of people. */
  counted?: Map<UniqueMetric, number>
  bounds?: Map<UniqueMetric, ReachBounds | undefined>
}

const FOUND = Symbol('found out')

/**
 * Where everything is kept that was found out about an aggregate. It hangs on the aggregate itself, where it is found
 * far faster than in a table of all aggregates; a copy of the aggregate does not have it.
 */
export const foundOut = (aggregate: ProfileAggregate & { [FOUND]?: FoundOut }): FoundOut =>
  aggregate[FOUND] ?? begun(aggregate)

function begun(aggregate: ProfileAggregate): FoundOut {
  const nothing: FoundOut = { flows: new Map() }
  Object.defineProperty(aggregate, FOUND, { value: nothing, enumerable: false })
  return nothing
}
