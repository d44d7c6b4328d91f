import { closeDatabase } from './platform/database/pool'
import { enqueueDue } from './gather/sync/enqueueDue'
import { housekeeping } from './housekeeping'
import { runNextJob } from './jobs'
import { log } from './platform/log'

/**
 * How many jobs this process works on at a time, how often it looks for new ones, and how often it looks for profiles
 * that are due.
 */
const LANES = 2
const IDLE_MS = 300
const DUE_EVERY_MS = 60_000
const TIDY_EVERY_MS = 3_600_000

let isStopping = false
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

async function lane(): Promise<void> {
  while (!isStopping) {
    const worked = await runNextJob().catch((error: unknown) => {
      log.error({ err: error }, 'the queue cannot be read')
      return false
    })
    if (!worked) await pause(IDLE_MS)
  }
}

/** Does something now and then, as long as this process lives. */
async function every(ms: number, work: () => Promise<unknown>, trouble: string): Promise<void> {
  while (!isStopping) {
    await work().catch((error: unknown) => log.error({ err: error }, trouble))
    for (let waited = 0; waited < ms && !isStopping; waited += IDLE_MS) await pause(IDLE_MS)
  }
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => (isStopping = true))
const lanes = [
  ...Array.from({ length: LANES }, lane),
  every(DUE_EVERY_MS, enqueueDue, 'due syncs cannot be found'),
  every(TIDY_EVERY_MS, housekeeping, 'what is old cannot be removed'),
]
process.send?.('ready')
await Promise.all(lanes)
await closeDatabase()
