import { lastCompleteDay } from '../core/days/lastCompleteDay'
import { daysUntilForgotten } from '../core/networks/daysUntilForgotten'
import { networkById } from '../core/networks/networks'
import { now } from './clock'
import { clientDbForJob } from './db/clientDb'
import { closeDatabase } from './db/pool'
import { sql } from './db/sql'
import { systemDb } from './db/systemDb'
import { enqueue } from './jobs/queue'
import { runNextJob } from './jobs/run'
import { log } from './log'

/** How many jobs this process works on at a time, how often it looks for new ones, and how often it looks for profiles that are due. */
const LANES = 2
const IDLE_MS = 300
const DUE_EVERY_MS = 60_000

let isStopping = false
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

/**
 * Syncs that are due: profiles whose figures do not reach the last complete day, or that were not asked for six hours. Those come first of which
 * a network will soonest forget something.
 */
async function enqueueDue(): Promise<void> {
  const due = await systemDb.rows<{ client_id: number; profile_id: number; network: string; consent: string; time_zone: string; synced_to: string | null; stale: number }>(sql`
    SELECT p.client_id, p.profile_id, p.network, p.consent, c.time_zone, p.synced_to, p.synced_at IS NULL OR p.synced_at < NOW() - INTERVAL 6 HOUR AS stale
    FROM   profile p
    JOIN   client c ON c.client_id = p.client_id
    WHERE  p.is_active = 1
    AND    p.consent <> 'withdrawn'
    AND    (p.sync_error IS NULL OR NOT EXISTS (
             SELECT 1 FROM job j WHERE j.client_id = p.client_id AND j.kind = 'sync' AND j.subject = p.profile_id AND j.created_at > NOW() - INTERVAL 10 MINUTE))`)
  const urgent = due.map((row) => {
    const last = lastCompleteDay(now(), row.time_zone)
    const { historyDays, publicDays } = networkById(row.network)
    return { ...row, isDue: row.stale === 1 || row.synced_to === null || row.synced_to < last, left: daysUntilForgotten(row.synced_to, last, row.consent === 'given' ? historyDays : publicDays) }
  })
  for (const { client_id: client, profile_id: profile } of urgent.filter(({ isDue }) => isDue).sort((a, b) => a.left - b.left)) {
    await enqueue(await clientDbForJob(client), 'sync', profile)
  }
}

async function lane(): Promise<void> {
  while (!isStopping) {
    const worked = await runNextJob().catch((error: unknown) => {
      log.error({ err: error }, 'the queue cannot be read')
      return false
    })
    if (!worked) await pause(IDLE_MS)
  }
}

async function watchDue(): Promise<void> {
  while (!isStopping) {
    await enqueueDue().catch((error: unknown) => log.error({ err: error }, 'due syncs cannot be found'))
    for (let waited = 0; waited < DUE_EVERY_MS && !isStopping; waited += IDLE_MS) await pause(IDLE_MS)
  }
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => (isStopping = true))
const lanes = [...Array.from({ length: LANES }, lane), watchDue()]
process.send?.('ready')
await Promise.all(lanes)
await closeDatabase()
