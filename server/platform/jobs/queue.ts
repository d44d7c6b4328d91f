import { randomUUID } from 'node:crypto'
import { again, type ClientDb } from '../database/clientDb'
import { database } from '../database/pool'
import { sql, type Query } from '../database/sql'
import { systemDb } from '../database/systemDb'
import { countWrites } from '../database/versions'
import type { JobDeclaration, PayloadOf } from './job'
import type { JobView } from '../../../shared/platform/jobs'

/** A job that has ended this many processes without getting further is set aside. */
export const MOST_DEATHS = 2

/** How long a job belongs to the process that claimed it without a sign of life, in seconds. */
export const LEASE_SECONDS = 15

/** A job as the worker sees it. */
export interface Job {
  job_id: number
  /** None for what is done for all of them. */ client_id: number | null
  kind: string
  subject: string
  payload: string
  attempts: number
  /** How many processes have died over it since it last got further. */
  deaths: number
  lease: string
}

/**
 * Puts a job into the queue. While the same job is waiting or running, it is that one: asking twice does the work once.
 * Asking again makes a waiting job due at once, unless a network has asked to wait: that is kept to.
 *
 * @returns the job's id
 */
export async function enqueue<Declaration extends JobDeclaration>(
  db: ClientDb,
  declaration: Declaration,
  subject: string | number,
  payload: PayloadOf<Declaration>,
  person?: number,
): Promise<number> {
  const { kind, priority, writesFigures } = declaration
  const key = `${db.clientId}:${kind}:${subject}`
  const { insertId } = await db.run(sql`
    INSERT INTO job (client_id, kind, subject, priority, writes_figures, live_key, payload, created_by)
   
    VALUES (${db.client}, ${kind}, ${String(subject)}, ${priority}, ${writesFigures}, ${key},
             ${JSON.stringify(declaration.payload.validateSync(payload))}, ${person})
    ON DUPLICATE KEY UPDATE job_id = LAST_INSERT_ID(job_id), run_after = IF(state = 'queued' AND is_held = 0, NOW(3), run_after)`)
  return insertId
}

type ViewRow = Omit<JobView, 'result'> & { result: string | null }
const toView = (row: ViewRow): JobView => ({ ...row, result: row.result === null ? null : JSON.parse(row.result) })

/** A job of a client by its id. */
export async function jobById(db: ClientDb, id: number): Promise<JobView | undefined> {
  const row = await db.one<ViewRow>(sql`
    SELECT job_id AS id, kind, subject, state, progress, total, message, result
    FROM   job
    WHERE  client_id = ${db.client}
    AND    job_id = ${id}`)
  return row && toView(row)
}

/** The newest job of a kind for each subject. */
export async function newestJobs(db: ClientDb, kind: string): Promise<JobView[]> {
  const rows = await db.rows<ViewRow>(sql`
    SELECT job_id AS id, kind, subject, state, progress, total, message, result
    FROM   job
    WHERE  client_id = ${db.client}
    AND    job_id IN (SELECT MAX(job_id) FROM job WHERE client_id = ${db.client} AND kind = ${kind} GROUP BY subject)`)
  return rows.map(toView)
}

/** The newest job for one subject, of the kinds that begin with a word. */
export async function newestJob(db: ClientDb, kind: string, subject: number): Promise<JobView | null> {
  const row = await db.one<ViewRow>(sql`
    SELECT   job_id AS id, kind, subject, state, progress, total, message, result
    FROM     job
    WHERE    client_id = ${db.client}
    AND      kind LIKE ${`${kind}%`}
    AND      subject = ${String(subject)}
    ORDER BY job_id DESC
    LIMIT    1`)
  return row ? toView(row) : null
}

/** How many jobs are changing a client's figures at the moment. */
export async function writingJobs(db: ClientDb): Promise<number> {
  const row = await db.one<{ count: number }>(sql`
    SELECT COUNT(*) AS count
    FROM   job
    WHERE  client_id = ${db.client}
    AND    writes_figures = 1
    AND    (state = 'running' OR (state = 'queued' AND run_after <= NOW(3)))`)
  return row!.count
}

/**
 * Claims the next job that is due, or one whose process has died. A job is claimed by one process only, and of those
 * that write a client's figures one at a time: the client stands in a column that holds it once, so that the database
 * itself decides, on one server or on a cluster.
 */
export async function claim(): Promise<Job | undefined> {
  const candidates = await systemDb.rows<{ job_id: number }>(sql`
    SELECT   job_id
    FROM     job j
    WHERE    ((state = 'queued' AND run_after <= NOW(3)) OR (state = 'running' AND lease_until < NOW(3)))
    AND      (writes_figures = 0 OR NOT EXISTS (SELECT 1 FROM job w WHERE w.writes_client = j.client_id AND w.job_id <> j.job_id))
    ORDER BY priority, run_after, job_id
    LIMIT    8`)
  for (const { job_id: id } of candidates) {
    const lease = randomUUID()
    if (await take(id, lease))
      return await systemDb.one<Job>(
        sql`SELECT job_id, client_id, kind, subject, payload, attempts, deaths, lease FROM job WHERE job_id = ${id} AND lease = ${lease}`,
      )
  }
  return undefined
}

async function take(id: number, lease: string): Promise<boolean> {
  try {
    const { affectedRows } = await systemDb.run(sql`
      UPDATE job
      SET    deaths = deaths + (state = 'running'), attempts = attempts + 1, writes_client = IF(writes_figures = 1, client_id, NULL),
             state = 'running', lease = ${lease}, lease_until = NOW(3) + INTERVAL ${LEASE_SECONDS} SECOND, is_held = 0
      WHERE  job_id = ${id}
      AND    ((state = 'queued' AND run_after <= NOW(3)) OR (state = 'running' AND lease_until < NOW(3)))`)
    return affectedRows === 1
  } catch (error) {
    // another job has begun to write this client's figures in the meantime
    if ((error as { errno?: number }).errno === 1062) return false
    throw error
  }
}

/** Whether a job that goes before those of a kind waits for a client's figures to be free. */
export const moreUrgentWaits = async (db: ClientDb, { priority }: JobDeclaration): Promise<boolean> =>
  (await db.one(sql`
  SELECT job_id FROM job WHERE client_id = ${db.client} AND writes_figures = 1 AND priority < ${priority}
  AND state = 'queued' AND run_after <= NOW(3) LIMIT 1`)) !== undefined

/** Says that a job is still being worked on. @returns whether it still belongs to this process */
export const keepLease = async ({ job_id: id, lease }: Job): Promise<boolean> =>
  (
    await systemDb.run(sql`
  UPDATE job SET lease_until = NOW(3) + INTERVAL ${LEASE_SECONDS} SECOND WHERE job_id = ${id} AND lease = ${lease} AND state = 'running'`)
  ).affectedRows === 1

/** Changes a job and says that it was: what is said of a client's jobs is worked out again. */
async function changeJob({ client_id: client }: Job, query: Query<boolean>): Promise<void> {
  await systemDb.run(query)
  if (client !== null) await again(() => countWrites(database(), client, new Set(['job'])))
}

/** Ends a job for good. */
export const failJob = (job: Job, message: string): Promise<void> =>
  changeJob(
    job,
    sql`
  UPDATE job
  SET state = 'failed', live_key = NULL, lease = NULL, writes_client = NULL, finished_at = NOW(), message = ${message.slice(0, 400)}
  WHERE job_id = ${job.job_id} AND lease = ${job.lease}`,
  )

/**
 * Puts a job back, to be tried again after some seconds.
 *
 * @param how  whether it counts as a try, and whether it is held: then nobody's asking makes it due sooner
 */
export const postponeJob = (
  job: Job,
  seconds: number,
  message: string,
  { countsAsTry, isHeld = false }: { countsAsTry: boolean; isHeld?: boolean },
): Promise<void> =>
  changeJob(
    job,
    sql`
  UPDATE job
  SET    state = 'queued', lease = NULL, writes_client = NULL, run_after = NOW(3) + INTERVAL ${seconds} SECOND,
           is_held = ${isHeld}, message = ${message.slice(0, 400)},
         attempts = attempts - ${countsAsTry ? 0 : 1}
  WHERE  job_id = ${job.job_id}
  AND    lease = ${job.lease}`,
  )
