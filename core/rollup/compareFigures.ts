import { changeOf, type Change } from '../change/change'
import type { Figure } from '../figures/figure'
import { columnsOf, metricById } from '../metrics/catalogue'
import { FLOW_COLUMNS, type FactColumn, type FlowColumn } from '../metrics/metric'
import { lengthOf, type Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { figureOf, hasData, type FigureContext } from './figureOf'
import { onPairedDays, type PairedSums } from './pairedSums'

/** A period and its comparison, rolled up. */
export interface ComparedAggregates {
  current: readonly ProfileAggregate[]
  /** Absent when nothing is compared. */
  earlier?: { period: Period; aggregates: readonly ProfileAggregate[]; paired: PairedSums }
}

/** A figure beside the one it is compared with. */
export interface ComparedFigure {
  figure: Figure
  earlier?: Figure
  change?: Change
}

const isFlow = (column: FactColumn): column is FlowColumn => (FLOW_COLUMNS as readonly string[]).includes(column)

/**
 * A metric over a scope, with its change against the comparison. The change rests only on what is present in both: for flows on the days,
 * for everything else on the profiles that have data in both periods.
 */
export function compareFigures(metricId: string, { current, earlier }: ComparedAggregates, context: FigureContext): ComparedFigure {
  const figure = figureOf(metricId, current, context)
  if (!earlier) return { figure }
  const past = { ...context, period: earlier.period }
  const before = figureOf(metricId, earlier.aggregates, past)
  const flowsOnly = columnsOf(metricById(metricId)).every(isFlow)
  const [now, then] = flowsOnly
    ? [onPairedDays(current, earlier.paired, 'current'), onPairedDays(earlier.aggregates, earlier.paired, 'earlier')]
    : [current, earlier.aggregates]
  const metric = metricById(metricId)
  const inBoth = new Set(then.filter((member) => hasData(metric, member)).map(({ profile }) => profile))
  const both = now.filter((member) => inBoth.has(member.profile) && hasData(metric, member))
  const profiles = new Set(both.map(({ profile }) => profile))
  const to = sameOr(figure, current, both, () => figureOf(metricId, both, { ...context, explain: false }))
  const counterparts = then.filter(({ profile }) => profiles.has(profile))
  const from = sameOr(before, earlier.aggregates, counterparts, () => figureOf(metricId, counterparts, { ...past, explain: false }))
  return { figure, earlier: before, change: { ...changeOf(to, from), ...basisOf(figure, to, before, flowsOnly, lengthOf(context.period)) } }
}

/** A figure again where it rests on the very same aggregates, so that it is not worked out twice. */
const sameOr = (figure: Figure, all: readonly ProfileAggregate[], chosen: readonly ProfileAggregate[], otherwise: () => Figure): Figure =>
  all.length === chosen.length && chosen.every((aggregate, index) => aggregate === all[index]) ? figure : otherwise()

function basisOf(figure: Figure, to: Figure, before: Figure, flowsOnly: boolean, days: number): { basis?: string } {
  if (flowsOnly && to.coverage.present < Math.max(figure.coverage.expected, before.coverage.expected)) {
    const profileDays = figure.coverage.expected > days ? 'profile-days' : 'days'
    return { basis: `over the ${to.coverage.present} of ${figure.coverage.expected} ${profileDays} with data in both periods` }
  }
  if (figure.coverage.present < figure.coverage.expected || before.coverage.present < before.coverage.expected) {
    return { basis: 'partial: some days have no data' }
  }
  return {}
}
