import type { Change } from '../../core/change/change'
import { metricById } from '../../core/metrics/catalogue'
import { PUBLIC_COLUMNS } from '../../core/metrics/metric'
import { networkById } from '../../core/networks/networks'
import { lengthOf, type Period } from '../../core/periods/period'
import type { ProfileAggregate } from '../../core/rollup/aggregate'
import { compareFigures, type ComparedAggregates } from '../../core/rollup/compareFigures'
import { figureOf } from '../../core/rollup/figureOf'
import { onPairedDays, type PairedSums } from '../../core/rollup/pairedSums'
import { expectedChange } from '../../core/subject/expectedChange'
import type { ClientDb } from '../db/clientDb'
import { profilesOf } from '../db/questions/profiles'
import { sql } from '../db/sql'
import { systemDb } from '../db/systemDb'
import type { ResolvedScope } from './resolveScope'
import { contextOf, rollUp } from './rollUp'

/** The volume that a network tells of itself, by metric. */
const VOLUME_OF: Record<string, 'posts' | 'interactions' | 'impressions'> = { posts: 'posts', interactions: 'interactions', impressions: 'impressions' }

/** One network's own change, and how much of one's own earlier figure lies there. */
export interface NetworkChange {
  network: string
  name: string
  relative: number
  /** The part of one's own earlier value that was on this network. */
  share: number
}

/** One's own change beside that of the subject, so that "we fell" and "everybody fell" can be told apart. */
export interface Subject {
  metric: string
  own?: Change
  /** How one's own figure would have moved had it moved as the networks did as a whole. */
  networks?: { relative: number; parts: NetworkChange[]; untold: string[] }
  /** The field: the client's own profiles and its rivals', by what everybody can see. */
  field?: { change: Change; own: number; rivals: number; competitors: string[] }
  /** Why there is nothing beside it. */
  reason?: string
}

/** A metric's change beside that of the networks' whole volume, and of the field. */
export async function subject(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<Subject> {
  const metric = metricById(metricId)
  if (!scope.comparison) return { metric: metricId, reason: 'Choose a comparison to see how the subject moved.' }
  const rolled = await rollUp(db, scope, [metricId])
  const own = compareFigures(metricId, rolled, contextOf(db, scope)).change
  const [networks, field] = await Promise.all([ofNetworks(scope, scope.comparison.period, metricId, rolled), metric.isPublic ? ofField(db, scope, metricId, rolled) : undefined])
  const reason = networks || field ? undefined : metric.isPublic
    ? 'No rival of this client has figures for both periods, and no network tells its whole volume of this.'
    : `No network tells its whole volume of ${metric.name.toLowerCase()}, and of rivals only public figures are known.`
  return { metric: metricId, ...(own && { own }), ...(networks && { networks }), ...(field && { field }), ...(reason && { reason }) }
}

async function ofNetworks(scope: ResolvedScope, earlier: Period, metricId: string, rolled: ComparedAggregates): Promise<Subject['networks']> {
  const column = VOLUME_OF[metricId]
  if (!column) return undefined
  const ids = [...new Set(scope.connected.map(({ network }) => network))]
  const sums = (period: Period) => systemDb.rows<{ network: string; posts: number; interactions: number; impressions: number; days: number }>(sql`
    SELECT   network, SUM(posts) AS posts, SUM(interactions) AS interactions, SUM(impressions) AS impressions, COUNT(*) AS days
    FROM     network_day
    WHERE    network IN (${ids})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY network`)
  const [now, then] = await Promise.all([sums(scope.period), sums(earlier)])
  const before = onPairedDays(rolled.earlier!.aggregates, rolled.earlier!.paired, 'earlier')
  const parts = ids.map((network) => {
    const own = figureOf(metricId, before.filter((aggregate) => aggregate.network === network), { period: earlier }).value ?? 0
    const [a, b] = [now, then].map((side) => side.find((row) => row.network === network))
    // a volume with days missing is no volume
    const isWhole = a && b && a.days === lengthOf(scope.period) && b.days === lengthOf(earlier) && b[column] > 0
    return { network, name: networkById(network).name, own, subject: isWhole ? a[column] / b[column] - 1 : undefined }
  }).filter(({ own }) => own > 0)
  const told = parts.flatMap(({ subject: change, ...part }) => (change === undefined ? [] : [{ ...part, key: part.network, subject: change }]))
  const relative = expectedChange(told)
  if (relative === undefined) return undefined
  const all = told.reduce((sum, part) => sum + part.own, 0)
  return {
    relative, untold: parts.filter((part) => part.subject === undefined).map(({ name }) => name),
    parts: told.map(({ network, name, own, subject: change }) => ({ network, name, relative: change, share: own / all })).sort((a, b) => b.share - a.share),
  }
}

async function ofField(db: ClientDb, scope: ResolvedScope, metricId: string, own: ComparedAggregates): Promise<Subject['field']> {
  const rivals = (await profilesOf(db)).filter((row) => row.is_rival && row.is_active && row.has_figures)
  if (rivals.length === 0) return undefined
  const others = await rollUp(db, { ...scope, connected: rivals }, [metricId])
  const field: ComparedAggregates = {
    current: [...own.current, ...others.current].map(publicPart),
    earlier: { period: own.earlier!.period, aggregates: [...own.earlier!.aggregates, ...others.earlier!.aggregates].map(publicPart), paired: publicPairs(new Map([...own.earlier!.paired, ...others.earlier!.paired])) },
  }
  const { change } = compareFigures(metricId, field, { period: scope.period })
  return change && { change, own: own.current.length, rivals: rivals.length, competitors: [...new Set(rivals.flatMap(({ rival }) => rival ?? []))].sort() }
}

/** What everybody can see of a profile: public figures are compared with public figures. */
function publicPart(aggregate: ProfileAggregate): ProfileAggregate {
  const open = <T extends object>(values: T): T => Object.fromEntries(Object.entries(values).filter(([column]) => (PUBLIC_COLUMNS as readonly string[]).includes(column))) as T
  return { ...aggregate, isPublicOnly: true, sums: open(aggregate.sums), counts: open(aggregate.counts) }
}

const publicPairs = (paired: PairedSums): PairedSums =>
  new Map([...paired].map(([profile, sums]) => [profile, Object.fromEntries(Object.entries(sums).filter(([column]) => (PUBLIC_COLUMNS as readonly string[]).includes(column)))]))

