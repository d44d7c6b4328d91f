import type { Metric } from '../metrics/metric'
import type { Comparison } from '../periods/comparison'
import type { Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import type { DayMask } from './daysWith'
import { hasData } from './figureOf'
import { pairedDays } from './pairedDays'

/** The comparison, rolled up. */
export interface EarlierAggregates {
  comparison: Comparison
  aggregates: readonly ProfileAggregate[]
}

/** The profiles that can be compared, at the same place on both sides, and the days of each on which they can; a profile without a mask counts whole. */
export interface ComparableMembers {
  now: ProfileAggregate[]
  then: ProfileAggregate[]
  masksNow: Map<number, DayMask>
  masksThen: Map<number, DayMask>
}

/**
 * The profiles that have data in both periods and, of counts and rates, the days on which they can be compared: what a change rests on, and everything
 * that explains it.
 *
 * @example comparableMembers(metricById('interactions'), current, { comparison, aggregates }, period).now.length
 */
export function comparableMembers(metric: Metric, current: readonly ProfileAggregate[], { aggregates, comparison }: EarlierAggregates, period: Period): ComparableMembers {
  const earlier = new Map(aggregates.map((aggregate) => [aggregate.profile, aggregate]))
  const found: ComparableMembers = { now: [], then: [], masksNow: new Map(), masksThen: new Map() }
  for (const member of current) {
    const before = earlier.get(member.profile)
    if (!before || !hasData(metric, member, period) || !hasData(metric, before, comparison.period)) continue
    if (metric.kind === 'flow' || metric.kind === 'ratio') {
      const days = pairedDays(metric, { member, period }, { member: before, comparison })
      if (!days) continue
      if (days.now.mask) found.masksNow.set(member.profile, days.now.mask)
      if (days.then.mask) found.masksThen.set(member.profile, days.then.mask)
    }
    found.now.push(member)
    found.then.push(before)
  }
  return found
}
