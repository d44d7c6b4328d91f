import { clientDbForJob, type ClientDb } from '../database/clientDb'
import { sql } from '../database/sql'
import { systemDb } from '../database/systemDb'
import { LEASE_SECONDS, type Job } from './queue'
import { ForPeople } from '../problems/forPeople'

/** The job was taken over by another process: this one stops, and what it had begun is rolled back. */
export class LeaseLost extends Error {}

/** The job cannot succeed; trying again does not help. The message is for the person. */
export class JobFailed extends ForPeople {}

/** The job has to wait; that is no failure. */
export class JobPostponed extends Error {
  /** @param isHeld  whether even somebody who asks for it has to wait: a network has said so */
  constructor(
    readonly seconds: number,
    message: string,
    readonly isHeld = false,
  ) {
    super(message)
  }
}

export interface Progress {
  done?: number
  /**
   * How far the work has come, on a scale that never begins anew, also not after a crash; `done` when it is left out.
   * Only what gets further gives new tries.
   */
  mark?: number
  total?: number
  message?: string
}

/** What a job is given to work with. */
export interface JobContext {
  db: ClientDb
  job: Job
  /**
   * One step of the job: its writes and its progress are kept together or not at all, and only while the job still
   * belongs to this process.
   */
  step: <T>(work: (db: ClientDb) => Promise<T>, progress?: (result: T) => Progress) => Promise<T>
  /** The last step: its writes and the end of the job are one. */
  finish: (work?: (db: ClientDb) => Promise<unknown>, message?: string) => Promise<void>
}

/** What a job that belongs to no client is given to work with. */
export interface SystemJobContext {
  job: Job
  /** The end of the job. Of those that were done before, only the last one is kept. */
  finish: (result: unknown) => Promise<void>
}

/** The context of a claimed job that belongs to no client. */
export const systemJobContext = (job: Job): SystemJobContext => ({
  job,
  finish: async (result) => {
    const { affectedRows } = await systemDb.run(sql`
      UPDATE job
      SET    state = 'done', live_key = NULL, lease = NULL, finished_at = NOW(),
             result = ${result === undefined ? null : JSON.stringify(result)}
      WHERE  job_id = ${job.job_id}
      AND    lease = ${job.lease}
      AND    state = 'running'`)
    if (affectedRows !== 1) throw new LeaseLost(`job ${job.job_id} belongs to another process now`)
    await systemDb.run(sql`
      DELETE FROM job
      WHERE  client_id IS NULL
      AND    kind = ${job.kind}
      AND    state = 'done'
      AND    job_id < ${job.job_id}`)
  },
})

/** The context of a claimed job. */
export async function jobContext(job: Job): Promise<JobContext> {
  if (job.client_id === null) throw new Error(`job ${job.job_id} belongs to no client`)
  const db = await clientDbForJob(job.client_id)
  const hold = async (inside: ClientDb) => {
    const { affectedRows } = await inside.run(sql`
      UPDATE job
      SET    lease_until = NOW(3) + INTERVAL ${LEASE_SECONDS} SECOND
      WHERE  client_id = ${inside.client}
      AND    job_id = ${job.job_id}
      AND    lease = ${job.lease}
      AND    state = 'running'`)
    if (affectedRows !== 1) throw new LeaseLost(`job ${job.job_id} belongs to another process now`)
  }
  return {
    db,
    job,
    step: (work, progress) =>
      db.transaction(async (inside) => {
        await hold(inside)
        const result = await work(inside)
        const { done, total, message, mark = done ?? 0 } = progress?.(result) ?? {}
        await inside.run(sql`
        UPDATE job
        SET    attempts = IF(${mark} > furthest, 1, attempts), deaths = IF(${mark} > furthest, 0, deaths),
                 furthest = GREATEST(furthest, ${mark}),
               progress = COALESCE(${done}, progress), total = COALESCE(${total}, total), message = COALESCE(${message}, message)
        WHERE  client_id = ${inside.client}
        AND    job_id = ${job.job_id}`)
        return result
      }),
    finish: (work, message) =>
      db.transaction(async (inside) => {
        await hold(inside)
        const result = await work?.(inside)
        await inside.run(sql`
        UPDATE job
        SET    state = 'done', live_key = NULL, lease = NULL, writes_client = NULL, finished_at = NOW(),
                 result = ${result === undefined ? null : JSON.stringify(result)},
               progress = COALESCE(total, progress), message = COALESCE(${message}, message)
        WHERE  client_id = ${inside.client}
        AND    job_id = ${job.job_id}`)
      }),
  }
}
