import { closeDatabase } from './db/pool'
import { enqueueDue } from './jobs/enqueueDue'
import { runNextJob } from './jobs/run'
import { log } from './log'

/** How many jobs this process works on at a time, how often it looks for new ones, and how often it looks for profiles that are due. */
const LANES = 2
const IDLE_MS = 300
const DUE_EVERY_MS = 60_000

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
