import { Unreadable } from '../../core/unreadable'
import { NetworkTrouble } from '../connectors/network'
import { log } from '../log'
import { moveTo } from '../imports/store'
import { FetchRefused } from '../outside/guardedFetch'
import { Problem } from '../problems/problem'
import { runAlone } from './alone'
import { JobFailed, jobContext, JobPostponed, LeaseLost, type JobContext } from './context'
import { editionIssue } from './editionIssue'
import { editionPrint } from './editionPrint'
import { importApply } from './importApply'
import { importCheck } from './importCheck'
import { importOpen } from './importOpen'
import { importUndo } from './importUndo'
import { claim, failJob, keepLease, MOST_DEATHS, postponeJob, type Job, type JobKind } from './queue'
import { sync } from './sync'

const HANDLERS: Record<JobKind, (context: JobContext) => Promise<void>> = {
  'sync': (context) => sync(context),
  'import.open': importOpen,
  'import.check': importCheck,
  'import.apply': importApply,
  'import.undo': importUndo,
  'edition.issue': editionIssue,
  'edition.print': editionPrint,
}

const MOST_TRIES = 6
const LEASE_RENEWAL_MS = 5000

/**
 * Claims one job and works on it until it is done, fails for good, or is put back to be tried again. A job over which a process has died is worked on in a
 * process of its own, so that it takes nothing else with it; when that dies too, it is set aside.
 *
 * @returns whether there was a job
 */
export async function runNextJob(): Promise<boolean> {
  const job = await claim()
  if (!job) return false
  const renewal = setInterval(() => void keepLease(job).catch((error: unknown) => log.warn({ err: error }, 'lease not renewed')), LEASE_RENEWAL_MS)
  try {
    if (job.deaths >= MOST_DEATHS || (job.deaths > 0 && !(await runAlone(job)))) await setAside(job)
    else if (job.deaths === 0) await runJob(job)
  } finally {
    clearInterval(renewal)
  }
  return true
}

/** Works on a claimed job. */
export async function runJob(job: Job): Promise<void> {
  try {
    await HANDLERS[job.kind](await jobContext(job))
  } catch (error) {
    await end(job, error)
  }
}

async function setAside(job: Job): Promise<void> {
  log.error({ job: job.job_id, kind: job.kind }, 'job set aside: it has ended two processes')
  await failJob(job, 'This has ended the program that works on it twice, so it was set aside; everything else goes on. Try it with less at once, or tell whoever runs the application.')
  await afterFailure(job)
}

async function end(job: Job, error: unknown): Promise<void> {
  if (error instanceof LeaseLost) return void log.warn({ job: job.job_id }, error.message)
  if (error instanceof JobPostponed) return void (await postponeJob(job, error.seconds, error.message, { countsAsTry: false, isHeld: error.isHeld }))
  const sentence = sentenceOf(job, error)
  // what a person has written has no meaning: trying again gives it none
  const isHopeless = error instanceof JobFailed || error instanceof Unreadable
  if (isHopeless || job.attempts >= MOST_TRIES) {
    log.error({ err: error, job: job.job_id, kind: job.kind }, 'job failed')
    await failJob(job, isHopeless ? sentence : `It did not work after ${job.attempts} tries. ${sentence}`)
    await afterFailure(job)
    return
  }
  log.warn({ err: error, job: job.job_id, kind: job.kind }, 'job put back')
  await postponeJob(job, Math.min(600, 2 ** job.attempts), `${sentence} Tried again by itself.`, { countsAsTry: true })
}

/** What a person is told of an error: the sentence of those that were made for people, and of every other one that it is in the log. */
function sentenceOf(job: Job, error: unknown): string {
  if ([JobFailed, NetworkTrouble, FetchRefused, Problem, Unreadable].some((kind) => error instanceof kind)) return (error as Error).message
  return `Something went wrong here; the log has it under job ${job.job_id}.`
}

/** An import whose job has failed says so, and can be mended: checked again, written on, undone or removed. */
async function afterFailure(job: Job): Promise<void> {
  if (!job.kind.startsWith('import.')) return
  const { db } = await jobContext(job)
  await moveTo(db, Number(job.subject), ['opening', 'checking', 'applying', 'undoing'], 'failed')
}
