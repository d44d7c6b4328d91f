import { addDays, type Day } from '../../../core/days/day'
import { metricById } from '../../../core/metrics/catalogue'
import { networkById } from '../../../core/networks/networks'
import { lengthOf, type Period } from '../../../core/periods/period'
import type { ProfileAggregate } from '../../../core/rollup/aggregate'
import { comparableMembers } from '../../../core/rollup/comparableMembers'
import { compareFigures, type ComparedAggregates } from '../../../core/rollup/compareFigures'
import type { DayMask } from '../../../core/rollup/daysWith'
import { figureOf } from '../../../core/rollup/figureOf'
import { publicPart } from '../../../core/rollup/publicPart'
import { expectedChange } from '../../../core/subject/expectedChange'
import type { ClientDb } from '../../platform/database/clientDb'
import { profilesOf } from '../../figures/questions/profileRows'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import type { ResolvedScope } from '../../figures/resolveScope'
import { contextOf, rollUp } from '../../figures/rollUp'
import type { Subject, NetworkChange } from '../../../shared/read/subject'

/** The volume that a network tells of itself, by metric. */
const VOLUME_OF: Record<string, 'posts' | 'interactions' | 'impressions'> = {
  posts: 'posts',
  interactions: 'interactions',
  impressions: 'impressions',
}

/** A metric's change beside that of the networks' whole volume and, for whoever may see the rivals, of the field. */
export async function subject(
  db: ClientDb,
  scope: ResolvedScope,
  metricId: string,
  withRivals = true,
): Promise<Subject> {
  const metric = metricById(metricId)
  if (!scope.comparison) return { metric: metricId, reason: 'Choose a comparison to see how the subject moved.' }
  const rolled = await rollUp(db, scope, [metricId])
  const own = compareFigures(metricId, rolled, contextOf(db, scope)).change
  const [networks, field] = await Promise.all([
    ofNetworks(scope, metricId, rolled),
    metric.isPublic && withRivals ? ofField(db, scope, metricId, rolled) : undefined,
  ])
  const reason =
    networks || field
      ? undefined
      : metric.isPublic && withRivals
        ? 'No rival of this client has figures for both periods, and no network tells its whole volume of this.'
        : 'No network tells its whole volume of ' +
          `${metric.name.toLowerCase()}${withRivals ? ', and of rivals only public figures are known' : ''}.`
  return {
    metric: metricId,
    ...(own && { own }),
    ...(networks && { networks }),
    ...(field && { field }),
    ...(reason && { reason }),
  }
}

/** The volumes of some networks, day by day. */
type Volumes = ReadonlyMap<string, ReadonlyMap<Day, number>>

async function volumesOf(
  networks: readonly string[],
  period: Period,
  column: 'posts' | 'interactions' | 'impressions',
): Promise<Volumes> {
  const rows = await systemDb.rows<{
    network: string
    day: Day
    posts: number | null
    interactions: number | null
    impressions: number | null
  }>(sql`
    SELECT network, day, posts, interactions, impressions
    FROM   network_day
    WHERE  network IN (${networks})
    AND    day BETWEEN ${period.from} AND ${period.to}`)
  return new Map(
    networks.map((network) => [
      network,
      new Map(
        rows.flatMap((row) =>
          row.network === network && row[column] !== null ? [[row.day, row[column]] as const] : [],
        ),
      ),
    ]),
  )
}

/**
 * A network's volume over the days that count; undefined when one of them is missing: a volume with a hole is no
 * volume.
 */
function volumeOver(volume: ReadonlyMap<Day, number>, period: Period, mask: DayMask | undefined): number | undefined {
  let sum = 0
  for (let index = 0; index < lengthOf(period); index++) {
    if (mask && !mask[index]) continue
    const own = volume.get(addDays(period.from, index))
    if (own === undefined) return undefined
    sum += own
  }
  return sum
}

/** Each profile is set beside its whole network on the very days on which the profile itself is compared. */
async function ofNetworks(
  scope: ResolvedScope,
  metricId: string,
  rolled: ComparedAggregates,
): Promise<Subject['networks']> {
  const column = VOLUME_OF[metricId]
  if (!column) return undefined
  const earlier = scope.comparison!.period
  const pairs = comparableMembers(metricById(metricId), rolled.current, rolled.earlier!, scope.period)
  const networks = [...new Set(pairs.now.map(({ network }) => network))]
  const [now, then] = await Promise.all([
    volumesOf(networks, scope.period, column),
    volumesOf(networks, earlier, column),
  ])
  const parts = pairs.then
    .map((member) => {
      const own = figureOf(metricId, [member], { period: earlier }, pairs.masksThen).value ?? 0
      const [to, from] = [
        volumeOver(now.get(member.network)!, scope.period, pairs.masksNow.get(member.profile)),
        volumeOver(then.get(member.network)!, earlier, pairs.masksThen.get(member.profile)),
      ]
      return {
        key: String(member.profile),
        network: member.network,
        own,
        subject: to !== undefined && from !== undefined && from > 0 ? to / from - 1 : undefined,
      }
    })
    .filter(({ own }) => own > 0)
  const told = parts.flatMap(({ subject: change, ...part }) =>
    change === undefined ? [] : [{ ...part, subject: change }],
  )
  const relative = expectedChange(told)
  if (relative === undefined) return undefined
  const all = told.reduce((sum, part) => sum + part.own, 0)
  const nameOf = (network: string) => networkById(network).name
  return {
    relative,
    untold: [...new Set(parts.filter((part) => part.subject === undefined).map(({ network }) => nameOf(network)))],
    parts: networks
      .flatMap((network): NetworkChange[] => {
        const own = told.filter((part) => part.network === network)
        const change = expectedChange(own)
        return change === undefined
          ? []
          : [
              {
                network,
                name: nameOf(network),
                relative: change,
                share: own.reduce((sum, part) => sum + part.own, 0) / all,
              },
            ]
      })
      .sort((a, b) => b.share - a.share),
  }
}

async function ofField(
  db: ClientDb,
  scope: ResolvedScope,
  metricId: string,
  own: ComparedAggregates,
): Promise<Subject['field']> {
  const rivals = (await profilesOf(db)).filter((row) => row.is_rival && row.is_active && row.has_figures)
  if (rivals.length === 0) return undefined
  const others = await rollUp(db, { ...scope, connected: rivals }, [metricId])
  const both = (mine: readonly ProfileAggregate[], theirs: readonly ProfileAggregate[]) =>
    [...mine, ...theirs].map(publicPart)
  const field: ComparedAggregates = {
    current: both(own.current, others.current),
    earlier: { comparison: scope.comparison!, aggregates: both(own.earlier!.aggregates, others.earlier!.aggregates) },
    ...(own.past &&
      others.past && {
        past: own.past.map((each, index) => ({
          period: each.period,
          current: both(each.current, others.past![index]!.current),
          earlier: {
            ...each.earlier,
            aggregates: both(each.earlier.aggregates, others.past![index]!.earlier.aggregates),
          },
        })),
      }),
  }
  const { change } = compareFigures(metricId, field, { period: scope.period })
  return (
    change && {
      change,
      own: own.current.length,
      rivals: rivals.length,
      competitors: [...new Set(rivals.flatMap(({ rival }) => rival ?? []))].sort(),
    }
  )
}
