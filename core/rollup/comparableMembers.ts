import { metricById } from '../metrics/catalogue'
import type { FlowColumn } from '../metrics/storedFigures'
import type { FlowMetric, Metric } from '../metrics/metric'
import type { Comparison } from '../periods/comparison'
import type { Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { partsAt, type DayMask } from './daysWith'
import { hasData } from './figureOf'
import { pairedDays } from './pairedDays'

/** The comparison, rolled up. */
export interface EarlierAggregates {
  comparison: Comparison
  aggregates: readonly ProfileAggregate[]
}

/**
 * The profiles that can be compared, at the same place on both sides, and the days of each on which they can; a profile
 * without a mask counts whole.
 */
export interface ComparableMembers {
  now: ProfileAggregate[]
  then: ProfileAggregate[]
  masksNow: Map<number, DayMask>
  masksThen: Map<number, DayMask>
}

/**
 * The profiles that have data in both periods and, of counts and rates, the days on which they can be compared: what a
 * change rests on, and everything that explains it.
 *
 * @example comparableMembers(metricById('interactions'), current, { comparison, aggregates }, period).now.length
 */
export function comparableMembers(
  metric: Metric,
  current: readonly ProfileAggregate[],
  { aggregates, comparison }: EarlierAggregates,
  period: Period,
): ComparableMembers {
  const earlier = byProfile(aggregates)
  const flows = flowsOf(metric)
  const members: ComparableMembers = { now: [], then: [], masksNow: new Map(), masksThen: new Map() }
  for (const member of current) {
    const other = earlier.get(member.profile)
    if (!other) continue
    const [now, before] = withSameParts(flows, { member, period }, { member: other, period: comparison.period })
    if (!hasData(metric, now, period) || !hasData(metric, before, comparison.period)) continue
    if (metric.kind === 'flow' || metric.kind === 'ratio') {
      const days = pairedDays(metric, { member: now, period }, { member: before, comparison })
      if (!days) continue
      if (days.now.mask) members.masksNow.set(member.profile, days.now.mask)
      if (days.then.mask) members.masksThen.set(member.profile, days.then.mask)
    }
    members.now.push(now)
    members.then.push(before)
  }
  return members
}

const found = new WeakMap<readonly ProfileAggregate[], ReadonlyMap<number, ProfileAggregate>>()

/** The aggregates by their profiles, found once for all metrics. */
function byProfile(aggregates: readonly ProfileAggregate[]): ReadonlyMap<number, ProfileAggregate> {
  const known = found.get(aggregates) ?? new Map(aggregates.map((aggregate) => [aggregate.profile, aggregate]))
  found.set(aggregates, known)
  return known
}

interface Side {
  member: ProfileAggregate
  period: Period
}

/** The daily counts that a metric adds up. */
const flowsOf = (metric: Metric): FlowMetric[] =>
  metric.kind === 'flow'
    ? [metric]
    : metric.kind === 'ratio'
      ? [metric.numerator, metric.denominator].map(metricById).filter((part) => part.kind === 'flow')
      : []

/** Both sides without the imported parts that only one of them has: those would be read as a rise or a fall. */
function withSameParts(flows: readonly FlowMetric[], now: Side, then: Side): [ProfileAggregate, ProfileAggregate] {
  const columns = ({ member, period }: Side) =>
    flows.flatMap((flow) => partsAt(flow, member, period).map(({ column }) => column))
  // the same list where neither has any imported part beside what its network gives
  if (flows.every((flow) => partsAt(flow, now.member, now.period) === partsAt(flow, then.member, then.period)))
    return [now.member, then.member]
  const [a, b] = [columns(now), columns(then)]
  const [onlyNow, onlyThen] = [a.filter((column) => !b.includes(column)), b.filter((column) => !a.includes(column))]
  return [without(now.member, onlyNow), without(then.member, onlyThen)]
}

function without(member: ProfileAggregate, columns: readonly FlowColumn[]): ProfileAggregate {
  if (columns.length === 0) return member
  const rest = <T extends object>(values: T): T =>
    Object.fromEntries(
      Object.entries(values).filter(([column]) => !(columns as readonly string[]).includes(column)),
    ) as T
  return { ...member, sums: rest(member.sums), counts: rest(member.counts) }
}
