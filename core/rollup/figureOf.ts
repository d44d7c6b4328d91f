import type { Coverage, Figure } from '../figures/figure'
import { calculator, type Calculator, type Working } from '../figures/working'
import { metricById } from '../metrics/catalogue'
import { reportsMetric } from '../metrics/reportsMetric'
import type { FlowMetric, Metric, RatioMetric, StockMetric, UniqueMetric } from '../metrics/metric'
import { networkById } from '../networks/networks'
import { dayNumber } from '../days/day'
import { describeDay } from '../periods/describePeriod'
import { lengthOf, type Period } from '../periods/period'
import { peopleWindows } from '../reach/cover'
import { reachBounds, type ReachBounds } from '../reach/reachBounds'
import { together } from '../reach/together'
import { countInterval } from '../statistics/countInterval'
import { wilson } from '../statistics/wilson'
import type { ProfileAggregate } from './aggregate'
import { sumPresent } from './aggregateDays'
import { foundOut } from './foundOut'
import {
  amongChosen,
  daysWith,
  flowSum,
  gives,
  ownFlow,
  partSum,
  type DayChoice,
  type DayMask,
  type Presence,
} from './daysWith'

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
 * The figure of a metric over profiles and a period, by the roll-up rule of the metric's kind. A rate adds up both of
 * its parts over the days on which a profile has both, profile by profile; a rate by people takes the people of those
 * very days.
 *
 * @param aggregates  one for each profile of the scope
 * @param choice      the days that count for a profile, where that is not all of them
 * @returns           a figure; without data it has no value and says why
 * @throws            RangeError when there is no such metric
 * @example           figureOf('impressions', aggregates, { period }).value
 */
export function figureOf(
  metricId: string,
  aggregates: readonly ProfileAggregate[],
  context: FigureContext,
  choice?: DayChoice,
): Figure {
  const figure = kindFigure(metricById(metricId), aggregates, context, calculator(context.explain ?? false), choice)
  if (!context.fetching?.size) return figure
  const fetching = aggregates
    .filter(({ profile }) => context.fetching?.has(profile) && !figure.coverage.unreported.includes(profile))
    .map(({ profile }) => profile)
  return fetching.length > 0 ? { ...figure, coverage: { ...figure.coverage, fetching } } : figure
}

function kindFigure(
  metric: Metric,
  aggregates: readonly ProfileAggregate[],
  context: FigureContext,
  calc: Calculator,
  choice: DayChoice | undefined,
): Figure {
  switch (metric.kind) {
    case 'flow':
      return flowFigure(metric, aggregates, context, calc, choice)
    case 'stock':
      return stockFigure(metric, aggregates, context, calc)
    case 'unique':
      return uniqueFigure(metric, aggregates, context, calc)
    case 'ratio':
      return ratioFigure(metric, aggregates, context, calc, choice)
  }
}

const nameOf = (context: FigureContext, profile: number): string => context.names?.get(profile) ?? `Profile ${profile}`

/** The days of a profile that count: those that have the metric and, where some were chosen, are among them. */
function countingDays(
  metric: Metric,
  member: ProfileAggregate,
  period: Period,
  choice: DayChoice | undefined,
): Presence {
  const present = daysWith(metric, member, period)
  const chosen = choice?.get(member.profile)
  return chosen ? amongChosen(present, chosen) : present
}

/**
 * Splits profiles into those that have or could have a metric, and those whose network does not report it and that have
 * no imported figure of it either.
 */
function reporting(metric: Metric, aggregates: readonly ProfileAggregate[], period: Period) {
  const members: ProfileAggregate[] = []
  const unreported: number[] = []
  for (const aggregate of aggregates) {
    if (reports(metric, aggregate) || hasData(metric, aggregate, period)) members.push(aggregate)
    else unreported.push(aggregate.profile)
  }
  return { members, unreported }
}

const reports = (metric: Metric, member: ProfileAggregate): boolean =>
  metric.kind === 'ratio'
    ? reportsMetric(networkById(member.network), metric.id) && (!member.isPublicOnly || metric.isPublic)
    : (metric.kind === 'unique'
        ? Object.values(metric.windows)
        : metric.kind === 'stock'
          ? [metric.column]
          : metric.parts.map(({ column }) => column)
      ).some((column) => gives(member, column))

function coverageOf(
  members: readonly ProfileAggregate[],
  unreported: number[],
  expected: number,
  present: (member: ProfileAggregate) => number,
): Coverage {
  const counts = members.map((member) => ({ profile: member.profile, present: present(member), expected }))
  return {
    expected: expected * members.length,
    present: counts.reduce((sum, count) => sum + count.present, 0),
    partial: counts.filter((count) => count.present < expected),
    unreported,
  }
}

function without(metric: Metric, coverage: Coverage, members: number): Figure {
  const reason =
    members === 0
      ? `No network in this scope reports ${metric.name.toLowerCase()}.`
      : 'There is no data for these days.'
  return { metric: metric.id, exactness: 'exact', reason, observations: 0, coverage }
}

/** Only the one operand where there is just one, so that workings are no longer than they need to be. */
const joined = (calc: Calculator, label: string, operands: Working[]): Working =>
  operands.length === 1 ? operands[0]! : calc.step(label, 'sum', operands)

function flowFigure(
  metric: FlowMetric,
  aggregates: readonly ProfileAggregate[],
  context: FigureContext,
  calc: Calculator,
  choice: DayChoice | undefined,
): Figure {
  const { period } = context
  const length = lengthOf(period)
  const coverage: Coverage = { expected: 0, present: 0, partial: [], unreported: [] }
  const operands: Working[] = []
  let members = 0
  let events = 0
  // what nobody wants explained is added up as it comes
  let total: number | undefined
  for (const member of aggregates) {
    const own = ownFlow(metric, member, period)
    if (!own.isGiven && own.presence.count === 0) {
      coverage.unreported.push(member.profile)
      continue
    }
    members++
    const chosen = choice?.get(member.profile)
    const days = chosen ? amongChosen(own.presence, chosen) : own.presence
    coverage.present += days.count
    if (days.count < length) coverage.partial.push({ profile: member.profile, present: days.count, expected: length })
    const sum = days === own.presence ? own.sum : flowSum(metric, member, period, days)
    if (!sum) continue
    events += sum.events
    total = (total ?? 0) + sum.value
    if (!calc.explains) continue
    const name = nameOf(context, member.profile)
    operands.push(
      metric.parts.length > 1
        ? memberFlow(name, own.parts, member, period, days.mask, calc)
        : calc.given(name, sum.value),
    )
  }
  coverage.expected = length * members
  if (total === undefined) return without(metric, coverage, members)
  const figure: Figure = { metric: metric.id, value: total, exactness: 'exact', observations: events, coverage }
  if (metric.unit !== 'seconds') figure.interval = countInterval(total, events)
  if (calc.explains) figure.working = { value: joined(calc, metric.name, operands) }
  return figure
}

/** How a profile's own part of a daily count comes about. */
function memberFlow(
  name: string,
  parts: FlowMetric['parts'],
  member: ProfileAggregate,
  period: Period,
  mask: DayMask | undefined,
  calc: Calculator,
): Working {
  const side = (sign: 1 | -1) =>
    parts.flatMap(({ column, sign: own }) =>
      own === sign ? [calc.given(metricById(column).name, partSum(column, member, period, mask))] : [],
    )
  const [gained, lost] = [side(1), side(-1)]
  if (lost.length === 0) return calc.step(name, 'sum', gained)
  return calc.step(name, 'difference', [gained.length === 1 ? gained[0]! : calc.step('Won', 'sum', gained), ...lost])
}

function stockFigure(
  metric: StockMetric,
  aggregates: readonly ProfileAggregate[],
  context: FigureContext,
  calc: Calculator,
): Figure {
  const { members, unreported } = reporting(metric, aggregates, context.period)
  const coverage = coverageOf(members, unreported, 1, (member) => (member.stocks[metric.column] ? 1 : 0))
  const operands = members.flatMap((member) => {
    const level = member.stocks[metric.column]
    return level ? [calc.given(`${nameOf(context, member.profile)}, ${describeDay(level.day)}`, level.value)] : []
  })
  if (operands.length === 0) {
    return {
      ...without(metric, coverage, members.length),
      ...(members.length > 0 && { reason: 'There is no count in the seven days up to the end of the period.' }),
    }
  }
  const working = joined(calc, metric.name, operands)
  return {
    metric: metric.id,
    value: working.value,
    exactness: 'exact',
    observations: Math.abs(working.value),
    coverage,
    ...(context.explain && { working: { value: working } }),
  }
}

function uniqueFigure(
  metric: UniqueMetric,
  aggregates: readonly ProfileAggregate[],
  context: FigureContext,
  calc: Calculator,
): Figure {
  const { members, unreported } = reporting(metric, aggregates, context.period)
  const coverage = coverageOf(members, unreported, lengthOf(context.period), (member) =>
    daysCounted(metric, member, context.period),
  )
  return peopleFigure(metric, members, context, calc, coverage, undefined)
}

/** The people of some profiles on some of their days. */
function peopleFigure(
  metric: UniqueMetric,
  members: readonly ProfileAggregate[],
  context: FigureContext,
  calc: Calculator,
  coverage: Coverage,
  days: ((member: ProfileAggregate) => Presence) | undefined,
): Figure {
  const reached = members.flatMap((member) => {
    const bounds = boundsOf(metric, member, context.period, calc, days?.(member))
    return bounds ? [{ name: nameOf(context, member.profile), bounds }] : []
  })
  if (reached.length === 0) return without(metric, coverage, members.length)
  const { value, low, high, remark } = together(
    reached,
    metric.family === 'reach' ? context.universe : undefined,
    reached.length === members.length,
    metric.name,
    calc,
  )
  return {
    metric: metric.id,
    exactness: value === undefined ? 'bounded' : low === undefined ? 'exact' : 'estimated',
    ...(value && { value: value.value }),
    ...(low && { low: low.value }),
    ...(high && { high: high.value }),
    ...(remark && { remark }),
    observations: (value ?? low)!.value,
    coverage,
    ...(context.explain && { working: { value, low, high } }),
  }
}

/** On how many days of the period the network says how many people there were. */
function daysCounted(metric: UniqueMetric, member: ProfileAggregate, period: Period): number {
  const values = member.days?.columns[metric.windows[1]]
  if (!member.days || !values) return 0
  const counted = (foundOut(member).counted ??= new Map<UniqueMetric, number>())
  const before = counted.get(metric)
  if (before !== undefined) return before
  const from = dayNumber(period.from) - member.days.first
  const { count } = sumPresent(values, Math.max(0, from), Math.min(values.length, from + lengthOf(period)))
  counted.set(metric, count)
  return count
}

function boundsOf(
  metric: UniqueMetric,
  member: ProfileAggregate,
  period: Period,
  calc: Calculator,
  presence: Presence | undefined,
): ReachBounds | undefined {
  if (!member.days || presence?.count === 0) return undefined
  // they stand in the whole and in the profile's row
  const on = presence?.mask ? presence : foundOut(member)
  const own = (on.bounds ??= new Map<UniqueMetric, ReachBounds | undefined>())
  if (!calc.explains && own.has(metric)) return own.get(metric)
  const bounds = reachBounds(calc, peopleWindows(metric, member.days), period, presence?.mask)
  if (!calc.explains) own.set(metric, bounds)
  return bounds
}

function ratioFigure(
  metric: RatioMetric,
  aggregates: readonly ProfileAggregate[],
  context: FigureContext,
  calc: Calculator,
  choice: DayChoice | undefined,
): Figure {
  const { period } = context
  const [over, under] = [metricById(metric.numerator) as FlowMetric, metricById(metric.denominator)]
  const days = new Map(aggregates.map((member) => [member.profile, countingDays(metric, member, period, choice)]))
  const usable = aggregates.filter((member) => days.get(member.profile)!.count > 0 && hasData(under, member, period))
  const isUsable = new Set(usable)
  const members = aggregates.filter((member) => isUsable.has(member) || reports(metric, member))
  const isMember = new Set(members)
  const coverage = coverageOf(
    members,
    aggregates.filter((member) => !isMember.has(member)).map(({ profile }) => profile),
    lengthOf(period),
    (member) => (isUsable.has(member) ? days.get(member.profile)!.count : 0),
  )
  if (usable.length === 0)
    return {
      ...without(metric, coverage, members.length),
      ...(members.length > 0 && {
        reason: `There is no day with both ${over.name.toLowerCase()} and ${under.name.toLowerCase()}.`,
      }),
    }
  const masks: DayChoice = new Map(
    usable.flatMap(({ profile }) => (days.get(profile)!.mask ? [[profile, days.get(profile)!.mask!] as const] : [])),
  )
  const numerator = flowFigure(over, usable, context, calc, masks)
  const denominator =
    under.kind === 'unique'
      ? peopleFigure(under, usable, context, calc, coverage, (member) => days.get(member.profile)!)
      : kindFigure(under, usable, context, calc, masks)
  const base = denominator.value ?? denominator.low ?? 0
  if (!(base > 0))
    return { ...without(metric, coverage, 1), reason: `${under.name} is zero: there is nothing to divide by.` }
  const top = workingOf(numerator, 'value', calc)!
  const by = (side: Side) => {
    const divisor = workingOf(denominator, side, calc)
    return divisor && divisor.value > 0 ? calc.step(metric.name, 'quotient', [top, divisor]) : undefined
  }
  const value = by('value')
  const bounded = denominator.exactness !== 'exact'
  // a denominator without an upper end leaves the rate without a lower one, other than zero
  const low = bounded ? (by('high') ?? calc.given('Nothing bounds it from below', 0)) : undefined
  const high = bounded ? by('low') : undefined
  const interval = rateInterval(metric, numerator, denominator)
  return {
    metric: metric.id,
    exactness: denominator.exactness,
    ...(value && { value: value.value }),
    ...(low && { low: low.value }),
    ...(high && { high: high.value }),
    ...(denominator.remark && { remark: denominator.remark }),
    observations: base,
    ...(interval && { interval }),
    coverage,
    ...(context.explain && { working: { value, low, high } }),
  }
}

/**
 * How far chance may carry a rate: Wilson's interval where it is a proportion; otherwise that of its numerator over the
 * whole range of its denominator.
 */
function rateInterval({ unit }: RatioMetric, numerator: Figure, denominator: Figure): Figure['interval'] {
  if (!numerator.interval || numerator.value === undefined) return undefined
  if (
    unit === 'share' &&
    denominator.exactness === 'exact' &&
    metricById(denominator.metric).kind === 'flow' &&
    numerator.value <= denominator.value!
  )
    return wilson(numerator.value, denominator.value!)
  const [least, most] = [
    denominator.low ?? denominator.value,
    denominator.low === undefined ? denominator.value : denominator.high,
  ]
  return least !== undefined && least > 0
    ? { low: most === undefined ? 0 : numerator.interval.low / most, high: numerator.interval.high / least }
    : undefined
}

/** Whether a profile has anything of what a metric is computed from; of a rate, a day with both of its parts. */
export function hasData(metric: Metric, member: ProfileAggregate, period: Period): boolean {
  switch (metric.kind) {
    case 'flow':
      return daysWith(metric, member, period).count > 0
    case 'stock':
      return member.stocks[metric.column] !== undefined
    case 'unique':
      return (
        member.days !== undefined &&
        Object.values(metric.windows).some((column) => member.days!.columns[column]) &&
        boundsOf(metric, member, period, calculator(false), undefined) !== undefined
      )
    case 'ratio':
      return daysWith(metric, member, period).count > 0 && hasData(metricById(metric.denominator), member, period)
  }
}

type Side = 'value' | 'low' | 'high'

/**
 * One side of a figure under its metric's name: with everything that led to it where that was kept, otherwise as the
 * value alone.
 */
function workingOf(figure: Figure, side: Side, calc: Calculator): Working | undefined {
  const label = metricById(figure.metric).name
  const working = figure.working?.[side]
  if (working) return { ...working, label }
  return figure[side] === undefined ? undefined : calc.given(label, figure[side])
}
