import { metricById } from '../metrics/catalogue'
import type { FlowColumn } from '../metrics/storedFigures'
import type { FlowMetric, Metric } from '../metrics/metric'
import type { Comparison } from '../periods/comparison'
import type { Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { partsAt, type DayChoice, type DayMask } from './daysWith'
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
  now: readonly ProfileAggregate[]
  then: readonly ProfileAggregate[]
  masksNow: DayChoice
  masksThen: DayChoice
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
  const flows = flowsOf(metric)
  const nows: ProfileAggregate[] = []
  const thens: ProfileAggregate[] = []
  let masksNow: Map<number, DayMask> | undefined
  let masksThen: Map<number, DayMask> | undefined
  let earlier: ReadonlyMap<number, ProfileAggregate> | undefined
  for (let index = 0; index < current.length; index++) {
    const member = current[index]!
    // both sides nearly always come in one order
    const beside = aggregates[index]
    const other = beside?.profile === member.profile ? beside : (earlier ??= byProfile(aggregates)).get(member.profile)
    if (!other) continue
    // the same list where neither has any imported part beside what its network gives
    const isAlike = flows.every((flow) => partsAt(flow, member, period) === partsAt(flow, other, comparison.period))
    const [now, before] = isAlike
      ? [member, other]
      : withSameParts(flows, { member, period }, { member: other, period: comparison.period })
    if (!hasData(metric, now, period) || !hasData(metric, before, comparison.period)) continue
    if (metric.kind === 'flow' || metric.kind === 'ratio') {
      const days = pairedDays(metric, { member: now, period }, { member: before, comparison })
      if (!days) continue
      if (days.now.mask) (masksNow ??= new Map()).set(member.profile, days.now.mask)
      if (days.then.mask) (masksThen ??= new Map()).set(member.profile, days.then.mask)
    }
    nows.push(now)
    thens.push(before)
  }
  return { now: nows, then: thens, masksNow: masksNow ?? EVERY_DAY, masksThen: masksThen ?? EVERY_DAY }
}

/** What nearly all have: no day is left out. */
const EVERY_DAY: DayChoice = new Map()

/** The aggregates by their profiles. */
const byProfile = (aggregates: readonly ProfileAggregate[]): ReadonlyMap<number, ProfileAggregate> =>
  new Map(aggregates.map((aggregate) => [aggregate.profile, aggregate]))

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
