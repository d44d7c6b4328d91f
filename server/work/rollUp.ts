import { columnsOf, metricById } from '../../core/metrics/catalogue'
import type { FactColumn } from '../../core/metrics/metric'
import type { ComparedAggregates } from '../../core/rollup/compareFigures'
import type { FigureContext } from '../../core/rollup/figureOf'
import type { ClientDb } from '../db/clientDb'
import { pairedAggregates } from '../db/questions/aggregates'
import { inDatabase, type FactSource } from './factSource'
import { memberOf } from '../db/questions/profiles'
import type { ResolvedScope } from './resolveScope'

/** The columns that a list of metrics needs. */
export const columnsFor = (metrics: readonly string[]): FactColumn[] => [...new Set(metrics.flatMap((id) => columnsOf(metricById(id))))]

/** A scope rolled up for some metrics: the period and, where there is one, the comparison. */
export async function rollUp(db: ClientDb, scope: ResolvedScope, metrics: readonly string[], source: FactSource = inDatabase(db)): Promise<ComparedAggregates> {
  const columns = columnsFor(metrics)
  const members = scope.connected.map(memberOf)
  const [current, past] = await Promise.all([
    source.aggregates(members, scope.period, columns),
    scope.comparison && source.aggregates(members, scope.comparison.period, columns),
  ])
  if (!scope.comparison || !past) return { current }
  const paired = await pairedAggregates(source.facts, current, past, scope.period, scope.comparison, columns)
  return { current, earlier: { period: scope.comparison.period, aggregates: past, paired } }
}

/** What figures need to know beside their aggregates. */
export const contextOf = (db: ClientDb, scope: ResolvedScope, explain = false): FigureContext => ({
  period: scope.period,
  universe: db.universe,
  names: new Map(scope.allProfiles.map(({ profile_id: profile, name, networkName }) => [profile, `${name}, ${networkName}`])),
  fetching: new Set(scope.allProfiles.filter(({ first_fetch: first }) => first === 1).map(({ profile_id: profile }) => profile)),
  explain,
})
