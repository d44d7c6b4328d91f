import type { Coverage, Figure } from '../figures/figure'
import { calculator, type Calculator, type Working } from '../figures/working'
import { metricById } from '../metrics/catalogue'
import { reportsMetric } from '../metrics/reportsMetric'
import { PUBLIC_COLUMNS, type FactColumn, type FlowMetric, type Metric, type RatioMetric, type StockMetric, type UniqueMetric } from '../metrics/metric'
import { networkById, reportsColumn } from '../networks/networks'
import { lengthOf, type Period } from '../periods/period'
import { reachBounds, type ReachBounds } from '../reach/reachBounds'
import type { ProfileAggregate, ReachWindows } from './aggregate'

/** What a figure needs beside its aggregates. */
export interface FigureContext {
  period: Period
  /** People who could be reached on these networks, as far as somebody has said so. */
  universe?: number
  /** Names of profiles for the workings. */
  names?: ReadonlyMap<number, string>
  /** Profiles whose first fetch is still running. */
  fetching?: ReadonlySet<number>
  /** Keep the working. */
  explain?: boolean
}

/**
 * The figure of a metric over profiles and a period, by the roll-up rule of the metric's kind.
 *
 * @param aggregates  one for each profile of the scope
 * @returns           a figure; without data it has no value and says why
 * @throws            RangeError when there is no such metric
 * @example           figureOf('impressions', aggregates, { period }).value
 */
export function figureOf(metricId: string, aggregates: readonly ProfileAggregate[], context: FigureContext): Figure {
  const figure = kindFigure(metricById(metricId), aggregates, context, calculator(context.explain ?? false))
  const fetching = aggregates.filter(({ profile }) => context.fetching?.has(profile) && !figure.coverage.unreported.includes(profile)).map(({ profile }) => profile)
  return fetching.length > 0 ? { ...figure, coverage: { ...figure.coverage, fetching } } : figure
}

function kindFigure(metric: Metric, aggregates: readonly ProfileAggregate[], context: FigureContext, calc: Calculator): Figure {
  switch (metric.kind) {
    case 'flow':
      return flowFigure(metric, aggregates, context, calc)
    case 'stock':
      return stockFigure(metric, aggregates, context, calc)
    case 'unique':
      return uniqueFigure(metric, aggregates, context, calc)
    case 'ratio':
      return ratioFigure(metric, aggregates, context, calc)
  }
}

const nameOf = (context: FigureContext, profile: number): string => context.names?.get(profile) ?? `Profile ${profile}`

/** Whether a profile's network gives a daily figure to us: without the owner's consent it gives what everybody can see. */
export const gives = ({ network, isPublicOnly }: Pick<ProfileAggregate, 'network' | 'isPublicOnly'>, column: FactColumn): boolean =>
  reportsColumn(networkById(network), column) && (!isPublicOnly || PUBLIC_COLUMNS.includes(column))

/** Splits profiles into those that have or could have a metric, and those whose network does not report it and that have no imported figure of it either. */
function reporting(metric: Metric, aggregates: readonly ProfileAggregate[], columns: readonly FactColumn[]) {
  const reports = (aggregate: ProfileAggregate) => columns.some((column) => gives(aggregate, column)) || hasData(metric, aggregate)
  return { members: aggregates.filter(reports), unreported: aggregates.filter((aggregate) => !reports(aggregate)).map(({ profile }) => profile) }
}

function coverageOf(members: readonly ProfileAggregate[], unreported: number[], expected: number, present: (member: ProfileAggregate) => number): Coverage {
  const counts = members.map((member) => ({ profile: member.profile, present: present(member), expected }))
  return {
    expected: expected * members.length,
    present: counts.reduce((sum, count) => sum + count.present, 0),
    partial: counts.filter((count) => count.present < expected),
    unreported,
  }
}

function without(metric: Metric, coverage: Coverage, members: number): Figure {
  const reason = members === 0 ? `No network in this scope reports ${metric.name.toLowerCase()}.` : 'There is no data for these days.'
  return { metric: metric.id, exactness: 'exact', reason, observations: 0, coverage }
}

/** Only the one operand where there is just one, so that workings are no longer than they need to be. */
const joined = (calc: Calculator, label: string, operands: Working[]): Working => (operands.length === 1 ? operands[0]! : calc.step(label, 'sum', operands))

function exactFigure(metric: Metric, working: Working, coverage: Coverage, context: FigureContext): Figure {
  return {
    metric: metric.id, value: working.value, exactness: 'exact', observations: Math.abs(working.value), coverage,
    ...(context.explain && { working: { value: working } }),
  }
}

function flowFigure(metric: FlowMetric, aggregates: readonly ProfileAggregate[], context: FigureContext, calc: Calculator): Figure {
  const { members, unreported } = reporting(metric, aggregates, metric.parts.map(({ column }) => column))
  const reportedParts = (aggregate: ProfileAggregate) => metric.parts.filter(({ column }) => gives(aggregate, column) || aggregate.counts[column] !== undefined)
  const coverage = coverageOf(members, unreported, lengthOf(context.period), (member) =>
    Math.min(...reportedParts(member).map(({ column }) => member.counts[column] ?? 0)))
  const operands = members.flatMap((member) => memberFlow(metric, member, nameOf(context, member.profile), calc) ?? [])
  if (operands.length === 0) return without(metric, coverage, members.length)
  return exactFigure(metric, joined(calc, metric.name, operands), coverage, context)
}

function memberFlow(metric: FlowMetric, { sums }: ProfileAggregate, name: string, calc: Calculator): Working | undefined {
  const present = metric.parts.filter(({ column }) => sums[column] !== undefined)
  if (present.length === 0) return undefined
  if (metric.parts.length === 1) return calc.given(name, sums[metric.parts[0]!.column]!)
  const side = (sign: 1 | -1) => present.filter((part) => part.sign === sign).map(({ column }) => calc.given(partName(column), sums[column]!))
  const gained = side(1)
  const lost = side(-1)
  if (lost.length === 0) return calc.step(name, 'sum', gained)
  return calc.step(name, 'difference', [gained.length === 1 ? gained[0]! : calc.step('Won', 'sum', gained), ...lost])
}

const partName = (column: string): string => metricById(column).name

function stockFigure(metric: StockMetric, aggregates: readonly ProfileAggregate[], context: FigureContext, calc: Calculator): Figure {
  const { members, unreported } = reporting(metric, aggregates, [metric.column])
  const coverage = coverageOf(members, unreported, 1, (member) => (member.stocks[metric.column] ? 1 : 0))
  const operands = members.flatMap((member) => {
    const level = member.stocks[metric.column]
    return level ? [calc.given(`${nameOf(context, member.profile)}, ${level.day}`, level.value)] : []
  })
  if (operands.length === 0) {
    return { ...without(metric, coverage, members.length), ...(members.length > 0 && { reason: 'There is no count in the seven days up to the end of the period.' }) }
  }
  return exactFigure(metric, joined(calc, metric.name, operands), coverage, context)
}

function uniqueFigure(metric: UniqueMetric, aggregates: readonly ProfileAggregate[], context: FigureContext, calc: Calculator): Figure {
  const { members, unreported } = reporting(metric, aggregates, Object.values(metric.windows))
  const days = lengthOf(context.period)
  const dailyDays = ({ windows: { [metric.family]: windows } }: ProfileAggregate) => windows.head.dailyCount + windows.blocks.reduce((sum, block) => sum + block.dailyCount, 0)
  const coverage = coverageOf(members, unreported, days, dailyDays)
  const reached = members.flatMap((member) => {
    const ceiling = member.counts[metric.ceiling] === days ? member.sums[metric.ceiling] : undefined
    const bounds = boundsOf(metric, member.windows[metric.family], ceiling, calc)
    return bounds ? [{ name: nameOf(context, member.profile), bounds }] : []
  })
  if (reached.length === 0) return without(metric, coverage, members.length)
  const { value, low, high } = reached.length === 1 ? single(reached[0]!.bounds) : together(reached, metric.family === 'reach' ? context.universe : undefined, calc)
  return {
    metric: metric.id,
    exactness: value === undefined ? 'bounded' : low === undefined ? 'exact' : 'estimated',
    ...(value && { value: value.value }),
    ...(low && { low: low.value }),
    ...(high && { high: high.value }),
    observations: (value ?? low)!.value,
    coverage,
    ...(context.explain && { working: { value, low, high } }),
  }
}

/** Bounds that were worked out before, for the same windows: a profile's reach stands in the whole, in its row and in its rates. */
const known = new WeakMap<ReachWindows, { ceiling: number | undefined; bounds: ReachBounds | undefined }>()

function boundsOf(metric: UniqueMetric, windows: ReachWindows, ceiling: number | undefined, calc: Calculator): ReachBounds | undefined {
  const before = calc.explains ? undefined : known.get(windows)
  if (before && before.ceiling === ceiling) return before.bounds
  const bounds = reachBounds(calc, windows, ceiling, { one: metric.name, ceiling: metricById(metric.ceiling).name })
  if (!calc.explains) known.set(windows, { ceiling, bounds })
  return bounds
}

interface Bounded {
  value?: Working
  low?: Working
  high?: Working
}

const single = ({ exact, low, high }: ReachBounds): Bounded => (exact ? { value: exact } : { low, high })

/** Reach over several profiles: between the largest of them and all of them added; in between, as if people overlapped at random. */
function together(known: { name: string; bounds: ReachBounds }[], universe: number | undefined, calc: Calculator): Bounded {
  const named = (side: 'low' | 'high') => known.flatMap(({ name, bounds }) => {
    const working = bounds[side]
    return working ? [{ ...working, label: name }] : []
  })
  const low = calc.step('Largest single profile', 'largest', named('low'))
  const highs = named('high')
  const all = highs.length === known.length ? calc.step('Sum of all, at most', 'sum', highs) : undefined
  const audience = universe === undefined ? undefined : calc.given('Audience on these networks', universe)
  const ceilings = [all, audience].filter((ceiling) => ceiling !== undefined)
  const high = ceilings.length > 1 ? calc.step('At most', 'smallest', ceilings) : ceilings[0]
  if (!audience || !all) return { low, high }
  const points = known.map(({ name, bounds }) => (bounds.exact ? { ...bounds.exact, label: name } : calc.step(`${name}, middle of its range`, 'middle', [bounds.low, bounds.high!])))
  return { value: calc.step('If they overlap at random', 'random duplication', [audience, ...points]), low, high }
}

function ratioFigure(metric: RatioMetric, aggregates: readonly ProfileAggregate[], context: FigureContext, calc: Calculator): Figure {
  const usable = aggregates.filter((aggregate) => hasData(metric, aggregate))
  const numerator = figureOf(metric.numerator, usable.length > 0 ? usable : aggregates, context)
  const denominator = figureOf(metric.denominator, usable.length > 0 ? usable : aggregates, context)
  const isUsable = new Set(usable)
  const idle = aggregates.filter((aggregate) => !isUsable.has(aggregate))
  const reports = (aggregate: ProfileAggregate) => reportsMetric(networkById(aggregate.network), metric.id) && (!aggregate.isPublicOnly || metric.isPublic)
  const days = lengthOf(context.period)
  const silent = idle.filter(reports).map(({ profile }) => ({ profile, present: 0, expected: days }))
  const { coverage: ofNumerator } = numerator
  const coverage: Coverage = usable.length === 0 ? ofNumerator : {
    expected: ofNumerator.expected + days * silent.length, present: ofNumerator.present, partial: [...ofNumerator.partial, ...silent],
    unreported: idle.filter((aggregate) => !reports(aggregate)).map(({ profile }) => profile),
  }
  const base = denominator.value ?? denominator.low ?? 0
  if (usable.length === 0) {
    return { ...without(metric, coverage, aggregates.length), reason: numerator.reason ?? denominator.reason ?? 'There is no data for these days.' }
  }
  if (base <= 0) return { ...without(metric, coverage, 1), reason: `${metricById(metric.denominator).name} is zero: there is nothing to divide by.` }
  const top = workingOf(numerator, 'value', calc)!
  const over = (side: Side) => {
    const divisor = workingOf(denominator, side, calc)
    return divisor && divisor.value > 0 ? calc.step(metric.name, 'quotient', [top, divisor]) : undefined
  }
  const value = over('value')
  const bounded = denominator.exactness !== 'exact'
  // a denominator without an upper end leaves the rate without a lower one, other than zero
  const low = bounded ? over('high') ?? calc.given('Nothing bounds it from below', 0) : undefined
  const high = bounded ? over('low') : undefined
  return {
    metric: metric.id,
    exactness: denominator.exactness,
    ...(value && { value: value.value }),
    ...(low && { low: low.value }),
    ...(high && { high: high.value }),
    observations: base,
    coverage,
    ...(context.explain && { working: { value, low, high } }),
  }
}

/** Whether a profile has anything of what a metric is computed from. */
export function hasData(metric: Metric, aggregate: ProfileAggregate): boolean {
  switch (metric.kind) {
    case 'flow':
      return metric.parts.some(({ column }) => aggregate.sums[column] !== undefined)
    case 'stock':
      return aggregate.stocks[metric.column] !== undefined
    case 'unique':
      return Object.keys(aggregate.windows[metric.family].largest).length > 0
    case 'ratio':
      return [metric.numerator, metric.denominator].every((id) => hasData(metricById(id), aggregate))
  }
}

type Side = 'value' | 'low' | 'high'

/** One side of a figure under its metric's name: with everything that led to it where that was kept, otherwise as the value alone. */
function workingOf(figure: Figure, side: Side, calc: Calculator): Working | undefined {
  const label = metricById(figure.metric).name
  const working = figure.working?.[side]
  if (working) return { ...working, label }
  return figure[side] === undefined ? undefined : calc.given(label, figure[side])
}
