import { addDays } from '../../core/days/day'
import { columnsOf, metricById } from '../../core/metrics/catalogue'
import { FLOW_COLUMNS, STOCK_COLUMNS, type FactColumn, type FlowColumn } from '../../core/metrics/storedFigures'
import { familiesOf } from '../../core/metrics/metric'
import { earlierComparisons, spanOf, type Comparison } from '../../core/periods/comparison'
import { lengthOf, type Period } from '../../core/periods/period'
import { STOCK_AGE_DAYS, WINDOW_REACH_DAYS, type ProfileAggregate } from '../../core/rollup/aggregate'
import { aggregateOnce } from '../../core/rollup/aggregateDays'
import type { ComparedAggregates } from '../../core/rollup/compareFigures'
import type { FigureContext } from '../../core/rollup/figureOf'
import type { ClientDb } from '../platform/database/clientDb'
import type { Member } from './questions/aggregates'
import { memberOf } from './questions/profileRows'
import type { DenseDays } from '../../core/rollup/denseDays'
import { inDatabase, NO_DAYS, type FactSource } from './factSource'
import type { ResolvedScope } from './resolveScope'

/** The columns that a list of metrics needs. */
export const columnsFor = (metrics: readonly string[]): FactColumn[] => [
  ...new Set(metrics.flatMap((id) => columnsOf(metricById(id)))),
]

/** What is wanted of a roll-up beside its figures. */
export interface RollUpWishes {
  source?: FactSource
  /** The days of every profile, for lines over time. */
  withDays?: boolean
  /** The comparisons of the past year too, to see what is usual. */
  withPast?: boolean
}

/**
 * A scope rolled up for some metrics: the period and, where there is one, the comparison with those of the past year.
 */
export async function rollUp(
  db: ClientDb,
  scope: ResolvedScope,
  metrics: readonly string[],
  { source = inDatabase(db), withDays = false, withPast = true }: RollUpWishes = {},
): Promise<ComparedAggregates> {
  const { period, comparison } = scope
  const columns = columnsFor(metrics)
  const members = scope.connected.map(memberOf)
  const past = withPast && comparison ? earlierComparisons(period, comparison) : []
  if (past.length > 0) return await inOnePass(source, members, columns, { period, comparison: comparison! }, past)
  const periods = [period, ...(comparison ? [comparison.period] : [])]
  const [current, earlier] =
    withDays || familiesOf(columns).length > 0
      ? await Promise.all(periods.map((each) => fromDays(source, members, columns, each)))
      : await fromSums(source, members, columns, periods)
  return { current: current!, ...(comparison && { earlier: { comparison, aggregates: earlier! } }) }
}

/** One scope and one period, rolled up for one metric. */
export async function rollUpOne(
  source: FactSource,
  members: readonly Member[],
  metric: string,
  period: Period,
): Promise<ProfileAggregate[]> {
  const columns = columnsFor([metric])
  return familiesOf(columns).length > 0
    ? await fromDays(source, members, columns, period)
    : (await fromSums(source, members, columns, [period]))[0]!
}

/**
 * The days that figures of a period are made from: windows of people reach over its ends, a level may be a week old.
 */
export function neededDays({ from, to }: Period, columns: readonly FactColumn[]): Period {
  const reach = familiesOf(columns).length > 0 ? WINDOW_REACH_DAYS : 0
  const back = STOCK_COLUMNS.some((column) => columns.includes(column)) ? STOCK_AGE_DAYS : 0
  return { from: addDays(from, -Math.max(reach, back)), to: addDays(to, reach) }
}

const idsOf = (members: readonly Member[]): number[] => members.map(({ profile }) => profile)

export async function fromDays(
  source: FactSource,
  members: readonly Member[],
  columns: readonly FactColumn[],
  period: Period,
): Promise<ProfileAggregate[]> {
  const days = await source.days(idsOf(members), neededDays(period, columns), columns)
  return members.map((member) => aggregateOnce(member, days.get(member.profile) ?? NO_DAYS, period))
}

/**
 * Periods and comparisons are read together where they lie close, so that days that both need are read once; years
 * between them are not read.
 */
function nearSpans(periods: Period, comparisons: Period): Period[] {
  const both = spanOf([periods, comparisons])
  return lengthOf(both) <= lengthOf(periods) + lengthOf(comparisons) ? [both] : [periods, comparisons]
}

/** Reads days over some spans, and gives those of a period that lies in one of them. */
async function daysOver(
  source: FactSource,
  profiles: readonly number[],
  columns: readonly FactColumn[],
  spans: readonly Period[],
): Promise<(period: Period) => ReadonlyMap<number, DenseDays>> {
  const read = await Promise.all(
    spans.map(async (span) => ({ span, days: await source.days(profiles, span, columns) })),
  )
  return ({ from, to }) => read.find(({ span }) => span.from <= from && span.to >= to)!.days
}

/** The year's days are read once, and every comparison is made from them. */
async function inOnePass(
  source: FactSource,
  members: readonly Member[],
  columns: readonly FactColumn[],
  asked: { period: Period; comparison: Comparison },
  past: readonly { period: Period; comparison: Comparison }[],
): Promise<ComparedAggregates> {
  const all = [asked, ...past]
  const spans = nearSpans(
    spanOf(all.map(({ period }) => period)),
    spanOf(all.map(({ comparison }) => comparison.period)),
  )
  const needed = spans.map((span) => neededDays(span, columns))
  const daysIn = await daysOver(source, idsOf(members), columns, needed)
  const made = new Map<string, ProfileAggregate[]>()
  const over = (period: Period): ProfileAggregate[] => {
    const key = `${period.from} ${period.to}`
    const days = daysIn(period)
    const known =
      made.get(key) ?? members.map((member) => aggregateOnce(member, days.get(member.profile) ?? NO_DAYS, period))
    made.set(key, known)
    return known
  }
  const [now, ...before] = all.map(({ period, comparison }) => ({
    period,
    current: over(period),
    earlier: { comparison, aggregates: over(comparison.period) },
  }))
  return { current: now!.current, earlier: now!.earlier, past: before }
}

/**
 * Sums where the data is; only profiles with a gap in one of the periods are read day by day, since a gap has to be
 * left out on both sides.
 */
async function fromSums(
  source: FactSource,
  members: readonly Member[],
  columns: readonly FactColumn[],
  periods: readonly Period[],
): Promise<ProfileAggregate[][]> {
  const summed = await Promise.all(periods.map((period) => source.sums(members, period, columns)))
  const counted = FLOW_COLUMNS.filter((column) => columns.includes(column))
  const gapped = members.filter((_, index) =>
    summed.some((side, at) => hasGap(side[index]!, counted, lengthOf(periods[at]!))),
  )
  if (gapped.length === 0) return summed
  const isGapped = new Set(idsOf(gapped))
  const daysIn = await daysOver(source, idsOf(gapped), columns, periods)
  return summed.map((side, at) => {
    const days = daysIn(periods[at]!)
    return side.map((aggregate) =>
      isGapped.has(aggregate.profile) ? { ...aggregate, days: days.get(aggregate.profile) ?? NO_DAYS } : aggregate,
    )
  })
}

/** Whether a daily count is there on some days and not on others. */
const hasGap = ({ counts }: ProfileAggregate, counted: readonly FlowColumn[], days: number): boolean =>
  counted.some((column) => counts[column] !== undefined && counts[column] < days)

/** What figures need to know beside their aggregates. */
export const contextOf = (db: ClientDb, scope: ResolvedScope, explain = false): FigureContext => ({
  period: scope.period,
  universe: db.universe,
  names: new Map(
    scope.allProfiles.map(({ profile_id: profile, name, networkName }) => [profile, `${name}, ${networkName}`]),
  ),
  fetching: new Set(
    scope.allProfiles.filter(({ first_fetch: first }) => first === 1).map(({ profile_id: profile }) => profile),
  ),
  explain,
})
