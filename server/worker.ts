import { closeDatabase } from './platform/database/pool'
import { enqueueByTheClock, runNextJob, SCHEDULES } from './jobs'
import { keepSchedules } from './platform/jobs/schedule'
import { log } from './platform/log'

/** How many jobs this process works on at a time, and how often it looks for new ones and for what is due by the clock. */
const LANES = 2
const IDLE_MS = 120
const CLOCK_EVERY_MS = 1000

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
await keepSchedules(SCHEDULES)
const lanes = [
  ...Array.from({ length: LANES }, lane),
  every(CLOCK_EVERY_MS, enqueueByTheClock, 'what is due by the clock cannot be found'),
]
process.send?.('ready')
await Promise.all(lanes)
await closeDatabase()
