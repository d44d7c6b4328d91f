import { log } from '../log'
import { moveTo } from '../imports/store'
import { JobFailed, jobContext, JobPostponed, LeaseLost, type JobContext } from './context'
import { editionIssue } from './editionIssue'
import { editionPrint } from './editionPrint'
import { importApply } from './importApply'
import { importCheck } from './importCheck'
import { importUndo } from './importUndo'
import { claim, failJob, keepLease, postponeJob, type Job, type JobKind } from './queue'
import { sync } from './sync'

const HANDLERS: Record<JobKind, (context: JobContext) => Promise<void>> = {
  'sync': (context) => sync(context),
  'import.check': importCheck,
  'import.apply': importApply,
  'import.undo': importUndo,
  'edition.issue': editionIssue,
  'edition.print': editionPrint,
}

const MOST_TRIES = 6
const LEASE_RENEWAL_MS = 5000

/**
 * Claims one job and works on it until it is done, fails for good, or is put back to be tried again.
 *
 * @returns whether there was a job
 */
export async function runNextJob(): Promise<boolean> {
  const job = await claim()
  if (!job) return false
  const renewal = setInterval(() => void keepLease(job).catch((error: unknown) => log.warn({ err: error }, 'lease not renewed')), LEASE_RENEWAL_MS)
  try {
    const context = await jobContext(job)
    await HANDLERS[job.kind](context)
  } catch (error) {
    await end(job, error)
  } finally {
    clearInterval(renewal)
  }
  return true
}

async function end(job: Job, error: unknown): Promise<void> {
  const { message } = error as Error
  if (error instanceof LeaseLost) return void log.warn({ job: job.job_id }, message)
  if (error instanceof JobPostponed) return void (await postponeJob(job, error.seconds, message, false))
  if (error instanceof JobFailed || job.attempts >= MOST_TRIES) {
    log.error({ err: error, job: job.job_id, kind: job.kind }, 'job failed')
    await failJob(job, error instanceof JobFailed ? message : `It did not work after ${job.attempts} tries: ${message}`)
    await afterFailure(job)
    return
  }
  log.warn({ err: error, job: job.job_id, kind: job.kind }, 'job put back')
  await postponeJob(job, Math.min(600, 2 ** job.attempts), `${message} Tried again by itself.`, true)
}

/** An import whose job has failed says so, and can be checked again. */
async function afterFailure(job: Job): Promise<void> {
  if (job.kind !== 'import.check') return
  const { db } = await jobContext(job)
  await moveTo(db, Number(job.subject), ['checking'], 'failed')
}

