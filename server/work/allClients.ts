import { compareFigures, type ComparedFigure } from '../../core/rollup/compareFigures'
import { DEFAULT_PERIOD } from '../../shared/scope'
import { clientsOf, type Person } from '../auth/people'
import { clientDb, type ClientDb } from '../db/clientDb'
import { editionsOf } from '../reports/editions'
import { contextOf, rollUp } from './rollUp'
import { resolveScope, type ResolvedScope } from './resolveScope'
import { unusual, type UnusualFinding } from './unusual'

/** The figures that stand for a client on the first page. */
export const CLIENT_METRICS = ['impressions', 'interactions', 'followers_net'] as const

/** Unusual days are looked for in this metric. */
const WATCHED_METRIC = 'interactions'

/** What a profile needs somebody to do. */
export interface ProfileTrouble {
  profile: number
  name: string
  sentence: string
}

/** A client on the first page: what moved, what is unexplained, what is in trouble. */
export interface ClientSummary {
  slug: string
  name: string
  profiles: number
  period: string
  against: string
  figures: ComparedFigure[]
  /** Unusual days that nobody has explained; none on a small base. */
  unusual: UnusualFinding[]
  troubles: ProfileTrouble[]
  lastEdition: { id: number; title: string; number: number; issuedAt: Date } | null
}

/** Everything that a person may see, client by client, the largest movement first. */
export async function allClients(person: Person): Promise<ClientSummary[]> {
  const summaries = await Promise.all((await clientsOf(person)).map((row) => summary(clientDb(row))))
  const movement = ({ figures }: ClientSummary) => Math.max(0, ...figures.map(({ change }) => Math.abs(change?.relative ?? 0)))
  return summaries.sort((a, b) => movement(b) - movement(a) || a.name.localeCompare(b.name))
}

async function summary(db: ClientDb): Promise<ClientSummary> {
  const scope = await resolveScope(db, { who: [], sets: [], period: DEFAULT_PERIOD, against: 'before' })
  const [rolled, days, editions] = await Promise.all([rollUp(db, scope, CLIENT_METRICS), unusual(db, scope, WATCHED_METRIC), editionsOf(db)])
  const [last] = editions
  return {
    slug: db.slug, name: db.name, profiles: scope.allProfiles.length, period: scope.words.period, against: scope.words.against,
    figures: CLIENT_METRICS.map((metric) => compareFigures(metric, rolled, contextOf(db, scope))),
    unusual: days.filter(({ explainedBy, isSmall }) => explainedBy === null && !isSmall),
    troubles: troublesOf(scope),
    lastEdition: last ? { id: last.id, title: last.title, number: last.number, issuedAt: last.issuedAt } : null,
  }
}

function troublesOf({ allProfiles, lastComplete }: ResolvedScope): ProfileTrouble[] {
  return allProfiles.flatMap((row) => {
    const sentence = row.consent === 'none' ? 'Its owner has not given consent yet.'
      : row.sync_error ?? (row.first_fetch ? 'Its first fetch is still running.' : row.synced_to !== null && row.synced_to < lastComplete ? `Its figures end on ${row.synced_to}.` : undefined)
    return sentence ? [{ profile: row.profile_id, name: `${row.name}, ${row.networkName}`, sentence }] : []
  })
}
