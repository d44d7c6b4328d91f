import { Unreadable } from '../../../core/unreadable'
import { log } from '../log'
import { ForPeople } from '../problems/forPeople'
import { runAlone } from './alone'
import { JobFailed, jobContext, JobPostponed, LeaseLost } from './context'
import type { JobModule } from './job'
import { claim, failJob, keepLease, MOST_DEATHS, postponeJob, type Job } from './queue'

const MOST_TRIES = 6
const LEASE_RENEWAL_MS = 5000

/**
 * Claims one job and works on it until it is done, fails for good, or is put back to be tried again. A job over which a
 * process has died is worked on in a process of its own, so that it takes nothing else with it; when that dies too, it
 * is set aside.
 *
 * @param jobs   every kind of job
 * @param alone  the program that works on one job alone
 * @returns whether there was a job
 */
export async function workOnNext(jobs: readonly JobModule[], alone: string): Promise<boolean> {
  const job = await claim()
  if (!job) return false
  const renewal = setInterval(
    () => void keepLease(job).catch((error: unknown) => log.warn({ err: error }, 'lease not renewed')),
    LEASE_RENEWAL_MS,
  )
  try {
    if (job.deaths >= MOST_DEATHS || (job.deaths > 0 && !(await runAlone(job, alone)))) await setAside(jobs, job)
    else if (job.deaths === 0) await workOn(jobs, job)
  } finally {
    clearInterval(renewal)
  }
  return true
}

/** Works on a claimed job. */
export async function workOn(jobs: readonly JobModule[], job: Job): Promise<void> {
  try {
    const kind = jobs.find(({ declaration }) => declaration.kind === job.kind)
    if (!kind) throw new JobFailed('This version of the application does not know how to do this any more.')
    await kind.work(job)
  } catch (error) {
    await end(jobs, job, error)
  }
}

async function setAside(jobs: readonly JobModule[], job: Job): Promise<void> {
  log.error({ job: job.job_id, kind: job.kind }, 'job set aside: it has ended two processes')
  await failJob(
    job,
    'This has ended the program that works on it twice, so it was set aside; everything else goes on. Try it ' +
      'with less at once, or tell whoever runs the application.',
  )
  await afterFailure(jobs, job)
}

async function end(jobs: readonly JobModule[], job: Job, error: unknown): Promise<void> {
  if (error instanceof LeaseLost) return void log.warn({ job: job.job_id }, error.message)
  if (error instanceof JobPostponed)
    return void (await postponeJob(job, error.seconds, error.message, { countsAsTry: false, isHeld: error.isHeld }))
  const sentence = sentenceOf(job, error)
  // what a person has written has no meaning: trying again gives it none
  const isHopeless = error instanceof JobFailed || error instanceof Unreadable
  if (isHopeless || job.attempts >= MOST_TRIES) {
    log.error({ err: error, job: job.job_id, kind: job.kind }, 'job failed')
    await failJob(job, isHopeless ? sentence : `It did not work after ${job.attempts} tries. ${sentence}`)
    await afterFailure(jobs, job)
    return
  }
  log.warn({ err: error, job: job.job_id, kind: job.kind }, 'job put back')
  await postponeJob(job, Math.min(600, 2 ** job.attempts), `${sentence} Tried again by itself.`, { countsAsTry: true })
}

/**
 * What a person is told of an error: the sentence of those that were made for people, and of every other one that it is
 * in the log.
 */
function sentenceOf(job: Job, error: unknown): string {
  if (error instanceof ForPeople || error instanceof Unreadable) return error.message
  return `Something went wrong here; the log has it under job ${job.job_id}.`
}

/** What follows on a failure for good is the kind's to say: an import, for instance, says so and can be mended. */
async function afterFailure(jobs: readonly JobModule[], job: Job): Promise<void> {
  const failed = jobs.find(({ declaration }) => declaration.kind === job.kind)?.failed
  if (failed && job.client_id !== null) await failed((await jobContext(job)).db, job.subject)
}
