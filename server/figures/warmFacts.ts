import { addDays } from '../../core/days/day'
import { FACT_COLUMNS } from '../../core/metrics/storedFigures'
import { earlierComparisons, spanOf } from '../../core/periods/comparison'
import { lengthOf, type Period } from '../../core/periods/period'
import { KEPT_BYTES } from '../../core/rollup/aggregateDays'
import type { DenseDays } from '../../core/rollup/denseDays'
import { outside, type ClientDb } from '../platform/database/clientDb'
import { daysOf } from './questions/daysOf'
import { writingJobs } from '../platform/jobs/queue'
import { log } from '../platform/log'
import { FACT_TABLES, inDatabase, inMemory, type FactSource } from './factSource'
import { versionOf } from './remembered'
import type { ResolvedScope } from './resolveScope'
import { neededDays } from './rollUp'

/**
 * Below this many profile-days the database answers fast enough; above the other one process would need too much
 * memory.
 */
const FEWEST_ROWS = 20_000
const MOST_ROWS = 400_000
/** How many profiles are read at a time, so that other questions are answered in between. */
const AT_A_TIME = 10

/** How many bytes of rows one process keeps; the longest unused go first. */
const ROOM = 256 * 1024 ** 2

interface Kept {
  version: string
  bytes: number
  span: Period
  days: ReadonlyMap<number, DenseDays>
}

/** How much further back is read than was asked for, so that a step to an earlier period finds its rows here too. */
const EARLIER_DAYS = 92

/** The rows of large clients, the one that was asked about last at the end. */
const kept = new Map<number, Kept>()
const loading = new Set<number>()

/**
 * The days that a scope needs: its period and comparison, the earlier comparisons of the past year, and what reaches
 * over their ends.
 */
function daysNeeded({ period, comparison }: ResolvedScope): Period {
  const all = comparison ? [{ period, comparison }, ...earlierComparisons(period, comparison)] : []
  return neededDays(spanOf([period, ...all.flatMap((each) => [each.period, each.comparison.period])]), FACT_COLUMNS)
}

/**
 * Where the figures of a scope come from: memory, when the rows of a large client are here and nothing was written
 * since they were read; otherwise the database. After a question that the database has answered the rows are read
 * meanwhile, for the next one.
 */
export async function sourceFor(db: ClientDb, scope: ResolvedScope): Promise<FactSource> {
  const span = daysNeeded(scope)
  const rows = scope.connected.length * lengthOf(span)
  if (rows < FEWEST_ROWS) return inDatabase(db)
  const version = await versionOf(db, FACT_TABLES)
  const known = kept.get(db.clientId)
  if (
    known?.version === version &&
    known.span.from <= span.from &&
    (known.span.to >= span.to || known.span.to >= scope.lastComplete)
  ) {
    kept.delete(db.clientId)
    kept.set(db.clientId, known)
    return inMemory(known.days)
  }
  if (rows <= MOST_ROWS && !loading.has(db.clientId))
    void load(outside(db), scope, span, version).catch((error: unknown) =>
      log.warn({ err: error }, 'rows not kept in memory'),
    )
  return inDatabase(db)
}

/** Reads every own profile's rows of some days. @returns whether they could be kept */
export async function load(
  db: ClientDb,
  { allProfiles, lastComplete }: ResolvedScope,
  asked: Period,
  version: string,
): Promise<boolean> {
  const span = { from: addDays(asked.from, -EARLIER_DAYS), to: asked.to > lastComplete ? asked.to : lastComplete }
  loading.add(db.clientId)
  try {
    if ((await writingJobs(db)) > 0) return false
    const ids = allProfiles.map(({ profile_id: profile }) => profile)
    const days = new Map<number, DenseDays>()
    for (let start = 0; start < ids.length; start += AT_A_TIME)
      for (const [profile, own] of await daysOf(db, ids.slice(start, start + AT_A_TIME), span, FACT_COLUMNS))
        days.set(profile, own)
    // what was written meanwhile would be half in it
    if ((await versionOf(db, FACT_TABLES)) !== version) return false
    keep(db.clientId, { version, span, days, bytes: bytesOf(days) })
    return true
  } finally {
    loading.delete(db.clientId)
  }
}

/** What rows take, with what is kept of the periods that are asked for. */
const bytesOf = (days: ReadonlyMap<number, DenseDays>): number =>
  [...days.values()].reduce(
    (sum, { columns }) => sum + Object.values(columns).reduce((bytes, values) => bytes + values.byteLength, KEPT_BYTES),
    0,
  )

function keep(client: number, rows: Kept): void {
  kept.delete(client)
  kept.set(client, rows)
  let used = [...kept.values()].reduce((sum, { bytes }) => sum + bytes, 0)
  for (const [oldest, { bytes }] of kept) {
    if (used <= ROOM) break
    kept.delete(oldest)
    used -= bytes
  }
  const megabytes = (bytes: number) => Math.round(bytes / 1024 ** 2)
  log.info(
    { client, profiles: rows.days.size, megabytes: megabytes(rows.bytes), clients: kept.size, used: megabytes(used) },
    'rows kept in memory',
  )
}

/** Whether the rows of a client are being read at the moment. */
export const isLoading = (db: ClientDb): boolean => loading.has(db.clientId)
