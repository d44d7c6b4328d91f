import { columnsOf, metricById } from '../../core/metrics/catalogue'
import { FLOW_COLUMNS, type FlowMetric, type Metric, type RatioMetric, type Unit } from '../../core/metrics/metric'
import type { Comparison } from '../../core/periods/comparison'
import type { ProfileAggregate } from '../../core/rollup/aggregate'
import type { ComparedAggregates } from '../../core/rollup/compareFigures'
import { figureOf } from '../../core/rollup/figureOf'
import { onPairedDays } from '../../core/rollup/pairedSums'
import { contributions, type Contribution } from '../../core/why/contributions'
import { factorContributions } from '../../core/why/factors'
import { mixAndRate, type PartOfRate, type RateContribution } from '../../core/why/mixAndRate'
import type { ClientDb } from '../db/clientDb'
import { formatTotals } from '../db/questions/posts'
import { contextOf, rollUp } from './rollUp'
import type { ResolvedScope } from './resolveScope'

/** What an explanation leads to: the posts of a profile, or of a format. */
interface Lead {
  profile?: number
  format?: string
}

/** One way to explain a change; its parts add up exactly to it. */
export type Explanation = { title: string; unit: Unit; from: number; to: number; note?: string } & (
  | { kind: 'parts'; parts: (Contribution & Lead)[] }
  | { kind: 'mix and rate'; mix: number; rate: number; parts: (RateContribution & Lead)[] }
)

export interface Why {
  metric: string
  explanations: Explanation[]
  /** Why there is none. */
  reason?: string
}

/** Why a metric changed from the comparison to the period: by profile, by format, and by the factors that make it. */
export async function why(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<Why> {
  const metric = metricById(metricId)
  if (!scope.comparison) return { metric: metricId, explanations: [], reason: 'Choose a comparison to see why it changed.' }
  if (metric.kind === 'unique') return { metric: metricId, explanations: [], reason: `${metric.name} is never added, so it has no parts that add up to its change. Impressions have.` }
  const inexact = metric.kind === 'ratio' && [metric.numerator, metric.denominator].some((id) => metricById(id).kind === 'unique')
  if (inexact) return { metric: metricId, explanations: [], reason: 'Reach cannot be added over profiles, so a rate by reach cannot be split exactly. Engagement by impressions can.' }
  const needed = metricId === 'interactions' ? [metricId, 'posts', 'impressions'] : metric.kind === 'ratio' ? [metric.numerator, metric.denominator] : [metricId]
  const rolled = await rollUp(db, scope, needed)
  const [now, then] = paired(metric, rolled)
  const names = contextOf(db, scope).names!
  const explanations = metric.kind === 'ratio'
    ? [byProfileRate(metric, now, then, names), await byFormat(db, scope, scope.comparison, metric)]
    : [byProfile(metric, now, then, names, scope), metricId === 'interactions' ? byFactors(now, then, scope) : undefined]
  const found = explanations.filter((explanation) => explanation !== undefined)
  return { metric: metricId, explanations: found, ...(found.length === 0 && { reason: 'There is no profile with data in both periods.' }) }
}

/** The profiles that have data on both sides; flows over the days present in both. */
function paired(metric: Metric, { current, earlier }: ComparedAggregates): [ProfileAggregate[], ProfileAggregate[]] {
  const flowsOnly = columnsOf(metric).every((column) => (FLOW_COLUMNS as readonly string[]).includes(column))
  const now = flowsOnly ? onPairedDays(current, earlier!.paired, 'current') : [...current]
  const then = flowsOnly ? onPairedDays(earlier!.aggregates, earlier!.paired, 'earlier') : [...earlier!.aggregates]
  return [now, then]
}

type Names = ReadonlyMap<number, string>

function valuesOf(metricId: string, aggregates: readonly ProfileAggregate[], period: ResolvedScope['period']): Map<number, number> {
  return new Map(aggregates.flatMap((aggregate) => {
    const { value } = figureOf(metricId, [aggregate], { period })
    return value === undefined ? [] : [[aggregate.profile, value] as const]
  }))
}

function byProfile(metric: Metric, now: ProfileAggregate[], then: ProfileAggregate[], names: Names, scope: ResolvedScope): Explanation | undefined {
  const [to, from] = [valuesOf(metric.id, now, scope.period), valuesOf(metric.id, then, scope.comparison!.period)]
  const profiles = [...to.keys()].filter((profile) => from.has(profile))
  if (profiles.length === 0) return undefined
  const parts = contributions(profiles.map((profile) => ({ key: String(profile), from: from.get(profile)!, to: to.get(profile)! })))
  const sum = (values: Map<number, number>) => profiles.reduce((all, profile) => all + values.get(profile)!, 0)
  return {
    kind: 'parts', title: 'By profile', unit: metric.unit, from: sum(from), to: sum(to),
    parts: parts.map(({ key, change }) => ({ key: names.get(Number(key))!, change, profile: Number(key) })),
  }
}

/** A flow by its stored columns. */
const flowSum = (metric: FlowMetric, { sums }: ProfileAggregate): number => metric.parts.reduce((all, { column, sign }) => all + sign * (sums[column] ?? 0), 0)

function byProfileRate(metric: RatioMetric, now: ProfileAggregate[], then: ProfileAggregate[], names: Names): Explanation | undefined {
  const [top, bottom] = [metricById(metric.numerator), metricById(metric.denominator)]
  const side = (metric: Metric, aggregate: ProfileAggregate | undefined) => {
    if (!aggregate) return undefined
    if (metric.kind === 'flow') return metric.parts.some(({ column }) => aggregate.sums[column] !== undefined) ? flowSum(metric, aggregate) : undefined
    return metric.kind === 'stock' ? aggregate.stocks[metric.column]?.value : undefined
  }
  const parts = now.flatMap((aggregate): (PartOfRate & { key: string })[] => {
    const before = then.find(({ profile }) => profile === aggregate.profile)
    const values = [side(top, before), side(bottom, before), side(top, aggregate), side(bottom, aggregate)]
    if (values.some((value) => value === undefined)) return []
    const [a, b, c, d] = values as number[]
    return [{ key: String(aggregate.profile), from: { numerator: a!, denominator: b! }, to: { numerator: c!, denominator: d! } }]
  })
  const split = mixAndRate(parts)
  return split && { kind: 'mix and rate', title: 'By profile', unit: metric.unit, ...split, parts: split.parts.map((part) => ({ ...part, key: names.get(Number(part.key))!, profile: Number(part.key) })) }
}

async function byFormat(db: ClientDb, scope: ResolvedScope, comparison: Comparison, metric: RatioMetric): Promise<Explanation | undefined> {
  if (metric.id !== 'engagement_by_impressions') return undefined
  const ids = scope.connected.map(({ profile_id: profile }) => profile)
  const [to, from] = await Promise.all([formatTotals(db, ids, scope.period), formatTotals(db, ids, comparison.period)])
  const totals = (list: typeof to, format: string) => {
    const found = list.find((each) => each.format === format)
    return { numerator: found?.interactions ?? 0, denominator: found?.impressions ?? 0 }
  }
  const split = mixAndRate([...new Set([...to, ...from].map(({ format }) => format))].map((format) => ({ key: format, from: totals(from, format), to: totals(to, format) })))
  return split && {
    kind: 'mix and rate', title: 'By format, of the posts published', unit: metric.unit, ...split, parts: split.parts.map((part) => ({ ...part, format: part.key })),
    note: 'Of the posts published in each period, with what they brought in so far.',
  }
}

/** Interactions = posts × impressions for each post × interactions for each impression. */
function byFactors(now: ProfileAggregate[], then: ProfileAggregate[], scope: ResolvedScope): Explanation | undefined {
  const total = (metric: string, side: ProfileAggregate[], period: ResolvedScope['period']) => figureOf(metric, side, { period }).value
  const side = (list: ProfileAggregate[], period: ResolvedScope['period']) => {
    const [posts, impressions, interactions] = ['posts', 'impressions', 'interactions'].map((metric) => total(metric, list, period))
    if (posts === undefined || impressions === undefined || interactions === undefined || posts === 0 || impressions === 0) return undefined
    return { posts, interactions, each: impressions / posts, rate: interactions / impressions }
  }
  const [from, to] = [side(then, scope.comparison!.period), side(now, scope.period)]
  if (!from || !to) return undefined
  const factors = factorContributions([
    { key: 'number of posts', from: from.posts, to: to.posts }, { key: 'impressions for each post', from: from.each, to: to.each }, { key: 'interactions for each impression', from: from.rate, to: to.rate },
  ])
  return { kind: 'parts', title: 'By what makes it', unit: 'count', from: from.interactions, to: to.interactions, parts: factors, note: 'Interactions are posts × impressions for each post × interactions for each impression.' }
}
