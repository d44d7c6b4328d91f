import { addDays, dayFromNumber, type Day } from '../../core/days/day'
import { columnsOf, metricById } from '../../core/metrics/catalogue'
import type { Metric } from '../../core/metrics/metric'
import type { FactTable } from '../../core/rollup/factTable'
import { isExplained, LOOK_BACK_DAYS, unusualDays, type UnusualDay } from '../../core/unusual/unusualDays'
import type { ClientDb } from '../db/clientDb'
import { facts } from '../db/questions/aggregates'
import { notesIn, type Note } from '../db/questions/notes'
import { postsIn } from '../db/questions/posts'
import type { ResolvedScope } from './resolveScope'

/** An unusual day of one profile, with what was posted on it and whether somebody has said why. */
export interface UnusualFinding extends UnusualDay {
  profile: number
  name: string
  posts: { text: string; format: string }[]
  explainedBy: { number: number; title: string } | null
}

/** A metric day by day for each profile of a table; a day without any of its columns is left out. */
export function dailyValues(table: FactTable, metric: Metric): Map<number, Map<Day, number>> {
  const parts = metric.kind === 'flow' ? metric.parts : columnsOf(metric).slice(0, 1).map((column) => ({ column, sign: 1 as const }))
  return new Map(table.ranges.map(({ profile, start, end }) => {
    const values = new Map<Day, number>()
    for (let row = start; row < end; row++) {
      const present = parts.map(({ column, sign }) => sign * table.columns[column][row]!).filter((value) => value === value)
      if (present.length > 0) values.set(dayFromNumber(table.days[row]!), present.reduce((sum, value) => sum + value, 0))
    }
    return [profile, values]
  }))
}

/**
 * The unusual days of a scope, the most unusual first. For reach the daily reach of each profile is judged; a rate has no unusual days of its own.
 */
export async function unusual(db: ClientDb, scope: ResolvedScope, metricId: string): Promise<UnusualFinding[]> {
  const metric = metricById(metricId)
  if (metric.kind === 'ratio' || metric.kind === 'stock' || scope.connected.length === 0) return []
  const ids = scope.connected.map(({ profile_id: profile }) => profile)
  const back = { from: addDays(scope.period.from, 1 - LOOK_BACK_DAYS), to: scope.period.to }
  const [table, notes] = await Promise.all([facts(db, ids, [back], columnsOf(metric)), notesIn(db, scope.period)])
  const found = [...dailyValues(table, metric)].flatMap(([profile, values]) => unusualDays(values, scope.period).map((day) => ({ profile, ...day })))
  if (found.length === 0) return []
  const days = found.map(({ day }) => day).sort()
  const posts = await postsIn(db, [...new Set(found.map(({ profile }) => profile))], { from: days[0]!, to: days.at(-1)! })
  return found.sort((a, b) => Math.abs(b.score) - Math.abs(a.score)).map((finding) => ({
    ...finding, name: nameOf(scope, finding.profile), explainedBy: explanation(finding.day, notes),
    posts: posts.filter((post) => post.profile_id === finding.profile && post.day === finding.day).map(({ text, format }) => ({ text, format })),
  }))
}

const nameOf = (scope: ResolvedScope, profile: number): string => {
  const { name, networkName } = scope.allProfiles.find(({ profile_id: id }) => id === profile)!
  return `${name}, ${networkName}`
}

function explanation(day: Day, notes: readonly Note[]): UnusualFinding['explainedBy'] {
  const index = notes.findIndex((note) => isExplained(day, [note]))
  return index < 0 ? null : { number: index + 1, title: notes[index]!.title }
}
