import { Cron } from 'croner'
import type { ResultSetHeader } from 'mysql2/promise'
import { clientDbForJob, inTransaction, type ClientDb } from '../database/clientDb'
import { database } from '../database/pool'
import { sql } from '../database/sql'
import { systemDb } from '../database/systemDb'
import { log } from '../log'
import type { JobDeclaration } from './job'
import { enqueue } from './queue'

/** What happens by the clock: a kind of job, and when. */
export interface Schedule {
  job: JobDeclaration
  /** When, as a cron expression of five fields: minute, hour, day, month, weekday. */
  pattern: string
  /** In which time zone the pattern is meant, with its clock changes. */
  timeZone?: string
}

/** How many that are due are looked at together; the rest has its turn at once after them. */
const AT_A_TIME = 50

/**
 * The next time of a pattern. An hour that a clock change leaves out is made up for right after it; one that comes
 * twice counts once.
 *
 * @throws  Error when the pattern or the time zone has no meaning, or never comes again
 * @example nextTime('0 9 * * 1', 'Europe/London', new Date('2026-10-23T12:00:00Z')) // 2026-10-26T09:00:00Z
 */
export function nextTime(pattern: string, timeZone: string, after: Date): Date {
  const next = new Cron(pattern, { timezone: timeZone, mode: '5-part', paused: true }).nextRun(after)
  if (!next) throw new Error(`“${pattern}” never comes again`)
  return next
}

/**
 * Keeps what the application does by the clock, as it is declared: what is new is due at once, and what is declared no
 * more is done no more. Several workers may do this at once.
 */
export async function keepSchedules(declared: readonly Schedule[]): Promise<void> {
  for (const { job, pattern, timeZone = 'UTC' } of declared)
    await systemDb.run(sql`
      INSERT INTO schedule (kind, unique_key, pattern, time_zone)
      VALUES (${job.kind}, ${keyOf(null, job.kind, '')}, ${pattern}, ${timeZone})
      ON DUPLICATE KEY UPDATE next_at = IF(pattern = VALUES(pattern) AND time_zone = VALUES(time_zone), next_at, NOW(3)),
                              pattern = VALUES(pattern), time_zone = VALUES(time_zone)`)
  await systemDb.run(
    sql`DELETE FROM schedule WHERE client_id IS NULL AND kind NOT IN (${declared.map(({ job }) => job.kind)})`,
  )
}

/** Does something of a client by the clock from now on, or at other times than before. */
export async function scheduleFor(
  db: ClientDb,
  subject: string | number,
  { job: { kind }, pattern, timeZone = db.timeZone }: Schedule,
): Promise<void> {
  const next = nextTime(pattern, timeZone, new Date())
  await db.run(sql`
    INSERT INTO schedule (client_id, kind, subject, unique_key, pattern, time_zone, next_at)
    VALUES (${db.client}, ${kind}, ${String(subject)}, ${keyOf(db.clientId, kind, subject)}, ${pattern}, ${timeZone}, ${next})
    ON DUPLICATE KEY UPDATE pattern = VALUES(pattern), time_zone = VALUES(time_zone), next_at = VALUES(next_at)`)
}

/** Does it no more. */
export const unschedule = (db: ClientDb, { kind }: JobDeclaration, subject: string | number) =>
  db.run(sql`DELETE FROM schedule WHERE client_id = ${db.client} AND kind = ${kind} AND subject = ${String(subject)}`)

const keyOf = (client: number | null, kind: string, subject: string | number) => `${client ?? 0}:${kind}:${subject}`

interface Due {
  schedule_id: number
  client_id: number | null
  kind: string
  subject: string
  pattern: string
  time_zone: string
  next_at: Date
}

/**
 * Puts what is due into the queue, each once, whoever else looks at the same moment: it belongs to whoever moves its
 * next time on. What was missed while nobody worked is done once, and not for each time.
 *
 * @param jobs  every kind of job that can be scheduled
 * @returns     how many were put into the queue
 */
export async function enqueueDueSchedules(jobs: readonly JobDeclaration[], at = new Date()): Promise<number> {
  const due = await systemDb.rows<Due>(sql`
    SELECT   schedule_id, client_id, kind, subject, pattern, time_zone, next_at
    FROM     schedule
    WHERE    next_at <= ${at}
    ORDER BY next_at, schedule_id
    LIMIT    ${AT_A_TIME}`)
  let count = 0
  for (const one of due) {
    // one that cannot be read keeps no other from its turn
    const isTaken = await take(one, jobs, at).catch((error: unknown) => {
      log.error({ err: error, schedule: one.schedule_id }, 'a schedule cannot be followed')
      return false
    })
    if (isTaken) count++
  }
  return count
}

async function take(due: Due, jobs: readonly JobDeclaration[], at: Date): Promise<boolean> {
  const declaration = jobs.find(({ kind }) => kind === due.kind)
  if (!declaration) throw new Error(`there is no job “${due.kind}”`)
  const next = nextTime(due.pattern, due.time_zone, at)
  return due.client_id === null
    ? await takeOwn(due, next, declaration)
    : await takeOf(due.client_id, due, next, declaration)
}

/** Moves a schedule of the application on and puts its job into the queue, both or neither. */
const takeOwn = ({ schedule_id: id, next_at: was }: Due, next: Date, { kind, priority }: JobDeclaration) =>
  inTransaction(database(), async (connection) => {
    const [{ affectedRows }] = await connection.query<ResultSetHeader>(
      'UPDATE schedule SET next_at = ?, last_at = NOW(3) WHERE schedule_id = ? AND next_at = ?',
      [next, id, was],
    )
    if (affectedRows !== 1) return false
    await connection.query("INSERT IGNORE INTO job (kind, subject, priority, live_key) VALUES (?, '', ?, ?)", [
      kind,
      priority,
      keyOf(null, kind, ''),
    ])
    return true
  })

/** The same of a client's schedule. */
const takeOf = async (
  client: number,
  { schedule_id: id, next_at: was, subject }: Due,
  next: Date,
  declaration: JobDeclaration,
): Promise<boolean> =>
  (await clientDbForJob(client)).transaction(async (db) => {
    const { affectedRows } = await db.run(sql`
      UPDATE schedule
      SET    next_at = ${next}, last_at = NOW(3)
      WHERE  client_id = ${db.client}
      AND    schedule_id = ${id}
      AND    next_at = ${was}`)
    if (affectedRows !== 1) return false
    await enqueue(db, declaration, subject, {})
    return true
  })
