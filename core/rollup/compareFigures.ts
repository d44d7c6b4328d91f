import { againstUsual, byTheDay, changeOf, withScatter, type Change } from '../change/change'
import { usualOf, type Usual } from '../change/usual'
import type { Figure } from '../figures/figure'
import { isSigned, metricById } from '../metrics/catalogue'
import type { Metric } from '../metrics/metric'
import { differInLength } from '../periods/comparison'
import { lengthOf, type Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { comparableMembers, type EarlierAggregates } from './comparableMembers'
import type { DayMask } from './daysWith'
import { figureOf, type FigureContext } from './figureOf'
import { weeklyScatter } from './weeklyScatter'

/** A period and its comparison, rolled up. */
export interface ComparedAggregates {
  current: readonly ProfileAggregate[]
  /** Absent when nothing is compared. */
  earlier?: EarlierAggregates
  /**
   * The same comparison as it would have been made earlier in the past year, to see how much such periods usually
   * differ.
   */
  past?: readonly PastComparison[]
}

export interface PastComparison {
  period: Period
  current: readonly ProfileAggregate[]
  earlier: EarlierAggregates
}

/** A figure beside the one it is compared with. */
export interface ComparedFigure {
  figure: Figure
  earlier?: Figure
  change?: Change
}

/**
 * A metric over a scope, with its change against the comparison. The change rests only on what is present in both,
 * profile by profile: of counts and rates the days, of levels and people the profiles.
 *
 * @example compareFigures('impressions', { current, earlier }, { period }).change?.relative
 */
export function compareFigures(
  metricId: string,
  { current, earlier, past }: ComparedAggregates,
  context: FigureContext,
): ComparedFigure {
  const figure = figureOf(metricId, current, context)
  if (!earlier) return { figure }
  const before = figureOf(metricId, earlier.aggregates, { ...context, period: earlier.comparison.period })
  const change = changeBetween(metricById(metricId), { figure, current }, { figure: before, earlier }, context)
  if (!past?.length || change.reason !== undefined || change.difference === undefined)
    return { figure, earlier: before, change }
  const scatter = weeklyScatter(metricById(metricId), current, context.period)
  const judged = withScatter(change, metricId, scatter)
  return { figure, earlier: before, change: againstUsual(judged, usualChange(metricId, past, context)) }
}

interface Now {
  figure: Figure
  current: readonly ProfileAggregate[]
}
interface Then {
  figure: Figure
  earlier: EarlierAggregates
}

function changeBetween(metric: Metric, now: Now, then: Then, context: FigureContext): Change {
  const { comparison } = then.earlier
  const pairs = comparableMembers(metric, now.current, then.earlier, context.period)
  const quiet = context.explain ? { ...context, explain: false } : context
  const to = sameOr(now.figure, now.current, pairs.now, pairs.masksNow, () =>
    figureOf(metric.id, pairs.now, quiet, pairs.masksNow),
  )
  const from = sameOr(then.figure, then.earlier.aggregates, pairs.then, pairs.masksThen, () =>
    figureOf(metric.id, pairs.then, { ...quiet, period: comparison.period }, pairs.masksThen),
  )
  if (pairs.now.length === 0)
    return {
      direction: 'unknown',
      judgement: 'neutral',
      approximate: false,
      small: false,
      reason: reasonOf(metric, now, then),
    }
  const change = changeOf(to, from, { to: daysIn(to), from: daysIn(from) })
  // a rate of nothing compares nothing, and rests on no day
  if (change.reason !== undefined) return change
  if (metric.kind !== 'flow' && metric.kind !== 'ratio') {
    const of = now.figure.coverage.expected / (metric.kind === 'stock' ? 1 : lengthOf(context.period))
    return withBasis(change, basisOfProfiles(pairs.now.length, of))
  }
  change.days = {
    now: to.coverage.present,
    then: from.coverage.present,
    ofNow: now.figure.coverage.expected,
    ofThen: then.figure.coverage.expected,
  }
  const days = withBasis(change, basisOfDays(change.days, change.days.ofNow > lengthOf(context.period)))
  return metric.kind === 'flow' && differInLength(context.period, comparison)
    ? byTheDay(days, { now: change.days.now / pairs.now.length, then: change.days.then / pairs.now.length }, metric.id)
    : days
}

/** On how many profile-days a figure rests. */
const daysIn = ({ coverage }: Figure): number => Math.max(1, coverage.present)

/** Says of a change that was just made what it rests on, where that is not everything. */
function withBasis(change: Change, basis: string | undefined): Change {
  if (basis !== undefined) change.basis = basis
  return change
}

/** Why nothing is left to compare. */
function reasonOf(metric: Metric, { figure }: Now, { figure: before }: Then): string {
  if (figure.value === undefined && figure.low === undefined) return 'There is no figure for the period.'
  if (before.value === undefined && before.low === undefined) return 'There is no figure for the comparison.'
  return metric.kind === 'flow' || metric.kind === 'ratio'
    ? 'No profile has a day with data in both periods.'
    : 'No profile has data in both periods.'
}

/** A figure again where it rests on the very same aggregates and days, so that it is not worked out twice. */
const sameOr = (
  figure: Figure,
  all: readonly ProfileAggregate[],
  chosen: readonly ProfileAggregate[],
  masks: ReadonlyMap<number, DayMask>,
  otherwise: () => Figure,
): Figure =>
  masks.size === 0 && all.length === chosen.length && chosen.every((aggregate, index) => aggregate === all[index])
    ? figure
    : otherwise()

function basisOfDays(
  { now, then, ofNow, ofThen }: NonNullable<Change['days']>,
  isSeveral: boolean,
): string | undefined {
  if (now === ofNow && then === ofThen) return undefined
  const unit = isSeveral ? 'profile-days' : 'days'
  return now === then && ofNow === ofThen
    ? `over the ${now} of ${ofNow} ${unit} with data in both periods`
    : `over ${now} of ${ofNow} ${unit} against ${then} of ${ofThen}: a day that is missing in one period is left out in both`
}

const basisOfProfiles = (compared: number, members: number): string | undefined =>
  compared < members ? `over the ${compared} of ${members} profiles with data in both periods` : undefined

/** How much a metric usually changes: the same comparison over the past year. */
function usualChange(metricId: string, past: readonly PastComparison[], context: FigureContext): Usual | undefined {
  const metric = metricById(metricId)
  const pairs = past.flatMap(({ period, current, earlier }) => {
    const asked = { period, ...(context.universe !== undefined && { universe: context.universe }) }
    const now = figureOf(metricId, current, asked)
    const then = figureOf(metricId, earlier.aggregates, { ...asked, period: earlier.comparison.period })
    const { from, to, perDay, reason } = changeBetween(
      metric,
      { figure: now, current },
      { figure: then, earlier },
      asked,
    )
    if (reason || from === undefined || to === undefined) return []
    return [perDay ?? { from, to }]
  })
  return usualOf(pairs, isSigned(metric) ? 'difference' : 'relative')
}
