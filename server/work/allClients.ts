import { daysBetween, type Day } from '../../core/days/day'
import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import { metricById } from '../../core/metrics/catalogue'
import { parsePeriod } from '../../core/periods/parsePeriod'
import { compareFigures, type ComparedFigure } from '../../core/rollup/compareFigures'
import { DEFAULT_PERIOD } from '../../shared/scope'
import { clientsOf, type Person } from '../auth/people'
import { clientDb, type ClientDb } from '../db/clientDb'
import { profilesOf, type ProfileRow } from '../db/questions/profiles'
import { now } from '../clock'
import { editionsOf, type EditionHead } from '../reports/editions'
import { reportsOf, type Report } from '../reports/reports'
import { remembered } from './remembered'
import { targetsOf, type TargetView } from './targets'
import { contextOf, rollUp } from './rollUp'
import { resolveScope } from './resolveScope'
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

/** What has to be done soon, and where. */
export interface Due {
  kind: 'report' | 'target'
  id: number
  sentence: string
}

/** How many days before its end a target is due, and for how many after it a missed one is shown. */
const NEAR_DAYS = 14

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
  /** Targets that are in danger, or were missed within the last weeks. */
  targets: TargetView[]
  due: Due[]
  lastEdition: { id: number; title: string; number: number; issuedAt: Date } | null
}

/** Everything that a person may see, client by client, the largest movement first. */
export async function allClients(person: Person): Promise<ClientSummary[]> {
  const summaries = await Promise.all((await clientsOf(person)).map(async (row) => {
    const db = clientDb(row)
    return JSON.parse(await remembered(db, `summary ${lastCompleteDay(now(), db.timeZone)}`, () => summary(db))) as ClientSummary
  }))
  const movement = ({ figures }: ClientSummary) => Math.max(0, ...figures.map(({ change }) => Math.abs(change?.relative ?? 0)))
  return summaries.sort((a, b) => movement(b) - movement(a) || a.name.localeCompare(b.name))
}

async function summary(db: ClientDb): Promise<ClientSummary> {
  const scope = await resolveScope(db, { who: [], sets: [], period: DEFAULT_PERIOD, against: 'before' })
  const [profiles, rolled, days, editions, reports, targets] = await Promise.all([profilesOf(db), rollUp(db, scope, CLIENT_METRICS), unusual(db, scope, WATCHED_METRIC), editionsOf(db), reportsOf(db), targetsOf(db)])
  const [last] = editions
  return {
    slug: db.slug, name: db.name, profiles: scope.allProfiles.length, period: scope.words.period, against: scope.words.against,
    figures: CLIENT_METRICS.map((metric) => compareFigures(metric, rolled, contextOf(db, scope))),
    unusual: days.filter(({ explainedBy, isSmall }) => explainedBy === null && !isSmall),
    troubles: troublesOf(profiles, scope.lastComplete),
    targets: targets.filter(({ progress, by }) => progress.standing === 'in danger' || (progress.standing === 'missed' && daysBetween(by, scope.lastComplete) <= NEAR_DAYS)),
    due: [...reports.flatMap((report) => reportDue(report, editions, scope.lastComplete) ?? []), ...targets.flatMap((target) => targetDue(target) ?? [])],
    lastEdition: last ? { id: last.id, title: last.title, number: last.number, issuedAt: last.issuedAt } : null,
  }
}

/** A report is due when its period is over and no edition of it reaches into that period. */
function reportDue(report: Report, editions: readonly EditionHead[], last: Day): Due | undefined {
  const { period, running } = parsePeriod(report.period, last)
  const newest = editions.filter(({ reportId }) => reportId === report.id).map(({ periodTo }) => periodTo).sort().at(-1)
  if (running || period.to > last || (newest !== undefined && newest >= period.from)) return undefined
  return { kind: 'report', id: report.id, sentence: newest === undefined ? `“${report.title}” has no edition yet.` : `“${report.title}” has no edition for its newest period.` }
}

function targetDue({ id, metric, whoWords, progress: { daysLeft, standing } }: TargetView): Due | undefined {
  if (daysLeft === 0 || daysLeft > NEAR_DAYS || standing === 'reached') return undefined
  return { kind: 'target', id, sentence: `The target for ${metricById(metric).name.toLowerCase()} of ${whoWords} ends in ${daysLeft} ${daysLeft === 1 ? 'day' : 'days'}.` }
}

/** Own profiles and rivals' that are switched on: what is wrong with them, and what somebody has to do. */
function troublesOf(profiles: readonly ProfileRow[], lastComplete: Day): ProfileTrouble[] {
  return profiles.filter(({ is_active: active }) => active).flatMap((row) => {
    const sentence = row.consent === 'none' && !row.is_rival && !row.sync_error ? 'Its owner has not given consent yet: only public figures are there.'
      : row.sync_error ?? (row.first_fetch ? 'Its first fetch is still running.' : row.synced_to !== null && row.synced_to < lastComplete ? `Its figures end on ${row.synced_to}.` : undefined)
    return sentence ? [{ profile: row.profile_id, name: `${row.name}, ${row.networkName}`, sentence }] : []
  })
}
