import { addDays, type Day } from '../../../core/days/day'
import { CATALOGUE, columnsOf, metricById } from '../../../core/metrics/catalogue'
import type { FactColumn } from '../../../core/metrics/storedFigures'
import type { FlowMetric, UniqueMetric } from '../../../core/metrics/metric'
import { includes } from '../../../core/periods/period'
import type { ProfileAggregate } from '../../../core/rollup/aggregate'
import { causesOf, isExplained, type Cause } from '../../../core/unusual/causes'
import { reportsMetric } from '../../../core/metrics/reportsMetric'
import { networkById } from '../../../core/networks/networks'
import { causesOverMetrics } from '../../../core/unusual/overMetrics'
import { judgedDays, SELDOM_LOOK_BACK_DAYS } from '../../../core/unusual/unusualDays'
import { dailyPoints } from '../../../core/series/dailyPoints'
import type { ClientDb } from '../../platform/database/clientDb'
import { notesIn } from '../../figures/questions/notes'
import { memberOf } from '../../figures/questions/profileRows'
import { postsIn } from '../../figures/questions/posts'
import { inDatabase } from '../../figures/factSource'
import type { ResolvedScope } from '../../figures/resolveScope'
import { fromDays } from '../../figures/rollUp'
import type { UnusualFinding, OddDays } from '../../../shared/read/unusual'

/** A profile whose days may be unusual by themselves is judged back as far as one that posts seldom needs. */
const BACK_DAYS = SELDOM_LOOK_BACK_DAYS + 4

/**
 * The unusual days of a scope by their causes, the strongest first. For reach the daily reach of each profile is
 * judged; a rate or a level has no unusual days of its own.
 */
export async function unusual(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<UnusualFinding[]> {
  const metric = metricById(metricId)
  if (metric.kind === 'ratio' || metric.kind === 'stock' || scope.connected.length === 0) return []
  const back = { from: addDays(scope.period.from, -BACK_DAYS), to: scope.period.to }
  const columns: FactColumn[] = [...new Set<FactColumn>([...columnsOf(metric), 'posts'])]
  const [members, notes] = await Promise.all([
    fromDays(inDatabase(db), scope.connected.map(memberOf), columns, back),
    notesIn(db, scope.period),
  ])
  const judged = new Map(
    members.map((member) => {
      const posts = valuesByDay(metricById('posts') as FlowMetric, member, back)
      return [
        member.profile,
        judgedDays(valuesByDay(metric, member, back), scope.period, posts.size > 0 ? posts : undefined),
      ] as const
    }),
  )
  const causes = causesOf(judged)
  if (causes.length === 0) return []
  const posts = await postsIn(
    db,
    [...new Set(causes.flatMap((cause) => cause.members.map(({ profile }) => profile)))],
    {
      from: causes.reduce((first, { from }) => (from < first ? from : first), causes[0]!.from),
      to: causes.reduce((last, { to }) => (to > last ? to : last), causes[0]!.to),
    },
  )
  return causes.map(({ members: own, ...cause }) => {
    const profiles = own.map(({ profile, days }) => ({
      profile,
      name: nameOf(scope, profile),
      days: days.length,
      value: sum(days.map(({ value }) => value)),
      usual: sum(days.map(({ usual }) => usual)),
    }))
    return {
      ...cause,
      profiles,
      value: sum(profiles.map(({ value }) => value)),
      usual: sum(profiles.map(({ usual }) => usual)),
      explainedBy: explanation(cause, notes),
      posts: posts
        .filter((post) => includes(cause, post.day) && own.some(({ profile }) => profile === post.profile_id))
        .map(({ text, format }) => ({ text, format })),
    }
  })
}

const sum = (values: readonly number[]): number => values.reduce((all, value) => all + value, 0)

/** A daily figure of one profile; days without it are left out. */
function valuesByDay(
  metric: FlowMetric | UniqueMetric,
  member: ProfileAggregate,
  period: { from: Day; to: Day },
): Map<Day, number> {
  return new Map(
    dailyPoints(metric.id, period, [member]).flatMap(({ day, value }) =>
      value === undefined ? [] : [[day, value] as const],
    ),
  )
}

const nameOf = (scope: ResolvedScope, profile: number): string => {
  const { name, networkName } = scope.allProfiles.find(({ profile_id: id }) => id === profile)!
  return `${name}, ${networkName}`
}

function explanation(
  cause: Pick<Cause, 'from' | 'to'>,
  notes: readonly { from: Day; to: Day; title: string }[],
): UnusualFinding['explainedBy'] {
  const index = notes.findIndex((note) => isExplained(cause, [note]))
  return index < 0 ? null : { number: index + 1, title: notes[index]!.title }
}

/** The unusual days of a scope over every metric that is counted daily, by their causes; none on a small base. */
export async function oddDays(db: ClientDb, scope: ResolvedScope): Promise<OddDays[]> {
  const found: (UnusualFinding & { metric: string })[] = []
  const metrics = CATALOGUE.filter(
    (metric) =>
      metric.kind === 'flow' && scope.connected.some(({ network }) => reportsMetric(networkById(network), metric.id)),
  )
  for (const { id } of metrics)
    found.push(
      ...(await unusual(db, scope, id))
        .filter(({ isSmall }) => !isSmall)
        .map((finding) => ({ ...finding, metric: id })),
    )
  return causesOverMetrics(found).map((cause) => ({
    ...cause,
    posts: cause.findings.reduce(
      (most, { posts }) => (posts.length > most.length ? posts : most),
      cause.findings[0]!.posts,
    ),
    explainedBy: cause.findings.find(({ explainedBy }) => explainedBy)?.explainedBy ?? null,
  }))
}
