import { figureSetById } from '../../../core/metrics/figureSets'
import { metricById } from '../../../core/metrics/catalogue'
import { reportsMetric } from '../../../core/metrics/reportsMetric'
import { NETWORKS, networkById } from '../../../core/networks/networks'
import type { ProfileAggregate } from '../../../core/rollup/aggregate'
import { clearInRows } from '../../../core/change/change'
import type { ComparedAggregates } from '../../../core/rollup/compareFigures'
import { compareFigures } from '../../../core/rollup/compareFigures'
import { dailyPoints } from '../../../core/series/dailyPoints'
import type { ClientDb } from '../../platform/database/clientDb'
import { notesIn } from '../../figures/questions/notes'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { contextOf, rollUp } from '../../figures/rollUp'
import type { ResolvedScope } from '../../figures/resolveScope'
import { sourceFor } from '../../figures/warmFacts'
import type { Grouping, MetricLine, RowFigures, Overview } from '../../../shared/read/overview'

/** What an overview shows beside its scope. */
export interface OverviewQuery {
  /** The metric of the line, and of a second line with an axis of its own. */
  metric: string
  second?: string
  /** The set of figures at the head and in the table. */
  figures?: string
  by?: Grouping
  /** The metrics at the head, where they are chosen; else those of the set of figures. */
  headlines?: readonly string[]
  /** The metrics of the table's columns, where they are chosen; else those of the set of figures. */
  columns?: readonly string[]
}

/**
 * What happened in a scope: headline figures with their change, one metric's line, and the table by profile, network or
 * set.
 */
export async function overview(
  db: ClientDb,
  scope: ResolvedScope,
  { metric, second, figures = '', by = 'profile', headlines: chosen = [], columns = [] }: OverviewQuery,
): Promise<Overview> {
  const shown = [metric, ...(second ? [second] : [])]
  shown.forEach(metricById)
  ;[...chosen, ...columns].forEach(metricById)
  const { headlines: ready, table: usual } = figureSetById(figures)
  const headlines = chosen.length > 0 ? chosen : ready
  const table = columns.length > 0 ? columns : usual
  const [rolled, notes] = await Promise.all([
    rollUp(db, scope, [...new Set([...headlines, ...table, ...shown])], {
      source: await sourceFor(db, scope),
      withDays: true,
    }),
    notesIn(db, scope.period),
  ])
  const context = contextOf(db, scope)
  const together = clearInRows(
    rowsBy(db, scope, rolled, table, by),
    headlines.map((id) => compareFigures(id, rolled, context)),
  )
  return {
    figures: together.headlines,
    sparklines: Object.fromEntries(
      headlines.map((id) => [id, dailyPoints(id, scope.period, rolled.current, db.universe)]),
    ),
    line: lineOf(db, scope, metric, rolled),
    ...(second && { second: lineOf(db, scope, second, rolled) }),
    metrics: table,
    by,
    profiles: together.rows,
    notes,
  }
}

/** A metric's line over a scope that was rolled up with its days. */
export function lineOf(
  db: ClientDb,
  scope: ResolvedScope,
  metric: string,
  { current, earlier }: ComparedAggregates,
): MetricLine {
  const { isPublic } = metricById(metric)
  const expected = scope.connected.filter(
    ({ network, consent }) => reportsMetric(networkById(network), metric) && (isPublic || consent !== 'none'),
  ).length
  return {
    metric,
    expected,
    current: dailyPoints(metric, scope.period, current, db.universe),
    ...(earlier && { earlier: dailyPoints(metric, earlier.comparison.period, earlier.aggregates, db.universe) }),
  }
}

interface Group {
  profile?: number
  id?: string
  who: string
  name: string
  network: string
  networkName: string
  rows: ProfileRow[]
}

const count = (rows: readonly ProfileRow[]): string => `${rows.length} ${rows.length === 1 ? 'profile' : 'profiles'}`

function groupsOf({ profiles, sets }: ResolvedScope, by: Grouping): Group[] {
  switch (by) {
    case 'profile':
      return profiles.map((row) => ({
        profile: row.profile_id,
        id: row.remote_id,
        who: String(row.profile_id),
        name: row.name,
        network: row.network,
        networkName: row.networkName,
        rows: [row],
      }))
    case 'network':
      return NETWORKS.flatMap(({ id, name }) => {
        const rows = profiles.filter(({ network }) => network === id)
        return rows.length > 0
          ? [
              {
                who: rows.map(({ profile_id: profile }) => profile).join(','),
                name,
                network: id,
                networkName: count(rows),
                rows,
              },
            ]
          : []
      })
    case 'set':
      return sets.flatMap(({ name, profiles: members }) => {
        const rows = profiles.filter(({ profile_id: profile }) => members.includes(profile))
        return rows.length > 0
          ? [
              {
                who: rows.map(({ profile_id: profile }) => profile).join(','),
                name,
                network: '',
                networkName: count(rows),
                rows,
              },
            ]
          : []
      })
  }
}

/**
 * The figures of each profile, network or set by itself. A profile can be in many sets, so the rows of sets do not add
 * up to the whole.
 */
export function rowsBy(
  db: ClientDb,
  scope: ResolvedScope,
  rolled: ComparedAggregates,
  metrics: readonly string[],
  by: Grouping = 'profile',
): RowFigures[] {
  const context = contextOf(db, scope)
  const byProfile = (aggregates: readonly ProfileAggregate[] = []) =>
    new Map(aggregates.map((aggregate) => [aggregate.profile, aggregate]))
  const of = (known: ReadonlyMap<number, ProfileAggregate>, ids: readonly number[]) =>
    ids.flatMap((id) => known.get(id) ?? [])
  const [now, then] = [byProfile(rolled.current), byProfile(rolled.earlier?.aggregates)]
  const past = rolled.past?.map((each) => ({
    ...each,
    now: byProfile(each.current),
    then: byProfile(each.earlier.aggregates),
  }))
  return groupsOf(scope, by).map(({ rows, ...group }) => {
    const ids = rows.map(({ profile_id: profile }) => profile)
    const own: ComparedAggregates = {
      current: of(now, ids),
      ...(rolled.earlier && { earlier: { ...rolled.earlier, aggregates: of(then, ids) } }),
      ...(past && {
        past: past.map((each) => ({
          period: each.period,
          current: of(each.now, ids),
          earlier: { ...each.earlier, aggregates: of(each.then, ids) },
        })),
      }),
    }
    return {
      ...group,
      firstFetch: rows.some(({ first_fetch: first }) => first === 1),
      figures: Object.fromEntries(metrics.map((metric) => [metric, compareFigures(metric, own, context)])),
    }
  })
}
