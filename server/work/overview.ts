import type { ComparedAggregates, ComparedFigure } from '../../core/rollup/compareFigures'
import { compareFigures } from '../../core/rollup/compareFigures'
import { metricById } from '../../core/metrics/catalogue'
import { reportsMetric } from '../../core/metrics/reportsMetric'
import { dailyPoints, type DayPoint, type DayTotals } from '../../core/series/dailyPoints'
import { networkById } from '../../core/networks/networks'
import type { ClientDb } from '../db/clientDb'
import { dayTotals } from '../db/questions/dayTotals'
import { notesIn, type Note } from '../db/questions/notes'
import { columnsFor, contextOf, rollUp } from './rollUp'
import type { ResolvedScope } from './resolveScope'

/** The five figures at the head of the overview. */
export const HEADLINES = ['reach', 'impressions', 'interactions', 'engagement_by_reach', 'followers_net'] as const

/** The columns of the table by profile. */
export const TABLE_METRICS = ['followers', 'reach', 'interactions', 'engagement_by_reach', 'posts'] as const

/** A line over time: the period and the comparison, day by day. */
export interface MetricLine {
  metric: string
  current: DayPoint[]
  earlier?: DayPoint[]
  /** How many profiles could have data on a day. */
  expected: number
}

export interface ProfileFigures {
  profile: number
  name: string
  network: string
  networkName: string
  figures: Record<string, ComparedFigure>
  firstFetch: boolean
}

export interface Overview {
  figures: ComparedFigure[]
  sparklines: Record<string, DayPoint[]>
  line: MetricLine
  profiles: ProfileFigures[]
  notes: Note[]
}

/**
 * What happened in a scope: headline figures with their change, one metric's line, and the table by profile.
 *
 * @param metric  the metric of the line
 */
export async function overview(db: ClientDb, scope: ResolvedScope, metric: string): Promise<Overview> {
  metricById(metric)
  const metrics = [...new Set([...HEADLINES, ...TABLE_METRICS])]
  const columns = columnsFor([...HEADLINES, metric])
  const ids = scope.connected.map(({ profile_id: profile }) => profile)
  const [rolled, current, earlier, notes] = await Promise.all([
    rollUp(db, scope, metrics),
    dayTotals(db, ids, scope.period, columns),
    scope.comparison && dayTotals(db, ids, scope.comparison.period, columnsFor([metric])),
    notesIn(db, scope.period),
  ])
  const context = contextOf(db, scope)
  return {
    figures: HEADLINES.map((id) => compareFigures(id, rolled, context)),
    sparklines: Object.fromEntries(HEADLINES.map((id) => [id, dailyPoints(id, scope.period, current, db.universe)])),
    line: lineOf(db, scope, metric, current, earlier),
    profiles: profileTable(db, scope, rolled, TABLE_METRICS),
    notes,
  }
}

/** A metric's line from the day totals of both periods. */
export function lineOf(db: ClientDb, scope: ResolvedScope, metric: string, current: DayTotals[], earlier: DayTotals[] | undefined): MetricLine {
  const expected = scope.connected.filter(({ network }) => reportsMetric(networkById(network), metric)).length
  return {
    metric, expected,
    current: dailyPoints(metric, scope.period, current, db.universe),
    ...(scope.comparison && earlier && { earlier: dailyPoints(metric, scope.comparison.period, earlier, db.universe) }),
  }
}

/** The figures of each profile by itself. */
export function profileTable(db: ClientDb, scope: ResolvedScope, rolled: ComparedAggregates, metrics: readonly string[]): ProfileFigures[] {
  const context = contextOf(db, scope)
  const only = (profile: number): ComparedAggregates => ({
    current: rolled.current.filter((aggregate) => aggregate.profile === profile),
    ...(rolled.earlier && { earlier: { ...rolled.earlier, aggregates: rolled.earlier.aggregates.filter((aggregate) => aggregate.profile === profile) } }),
  })
  return scope.profiles.map((row) => {
    const own = only(row.profile_id)
    return {
      profile: row.profile_id, name: row.name, network: row.network, networkName: row.networkName, firstFetch: row.first_fetch === 1,
      figures: Object.fromEntries(metrics.map((metric) => [metric, compareFigures(metric, own, context)])),
    }
  })
}
