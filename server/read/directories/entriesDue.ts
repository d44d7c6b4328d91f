import { DIRECTORIES } from '../../../core/directories/directoryList'
import { POLL_HOURS } from '../../../shared/read/directories'
import { now } from '../../platform/clock'
import { clientDbForJob, type ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { systemJobModule } from '../../platform/jobs/job'
import { enqueue } from '../../platform/jobs/queue'
import { ENTRIES_DUE, ENTRIES_POLL } from './jobs'

/** How many clients are looked at together; the rest has its turn with the next. */
const MOST_CLIENTS = 500
const HOUR_MS = 3_600_000

/**
 * Puts the looks at directories into the queue that are due. One that has failed is left alone for an hour.
 *
 * @returns how many
 */
export async function entriesDue(): Promise<number> {
  const rows = await systemDb.rows<{ client: number; polled: string | null }>(sql`
    SELECT   p.client_id AS client,
             (SELECT GROUP_CONCAT(l.directory) FROM directory_poll l WHERE l.client_id = p.client_id
               AND l.polled_at > ${new Date(now() - POLL_HOURS * HOUR_MS)}) AS polled
    FROM     place p
    WHERE    p.is_active = 1
    AND      p.removed_at IS NULL
    GROUP BY p.client_id
    ORDER BY (SELECT MIN(l.polled_at) FROM directory_poll l WHERE l.client_id = p.client_id), p.client_id
    LIMIT    ${MOST_CLIENTS}`)
  let many = 0
  for (const { client, polled } of rows) {
    const fresh = new Set(polled?.split(','))
    const wanted = DIRECTORIES.filter(({ id }) => !fresh.has(id))
    if (wanted.length === 0) continue
    const db = await clientDbForJob(client)
    const failed = await failedOf(db)
    for (const { id } of wanted)
      if (!failed.has(id)) {
        await enqueue(db, ENTRIES_POLL, id, {})
        many++
      }
  }
  return many
}

async function failedOf(db: ClientDb): Promise<ReadonlySet<string>> {
  const rows = await db.rows<{ subject: string }>(sql`
    SELECT DISTINCT subject
    FROM   job
    WHERE  client_id = ${db.client}
    AND    kind = ${ENTRIES_POLL.kind}
    AND    state = 'failed'
    AND    created_at > NOW() - INTERVAL 1 HOUR`)
  return new Set(rows.map(({ subject }) => subject))
}

/** Has every directory looked at now. @returns the numbers of the jobs */
export async function askForPoll(db: ClientDb, person: number): Promise<number[]> {
  const jobs: number[] = []
  for (const { id } of DIRECTORIES) jobs.push(await enqueue(db, ENTRIES_POLL, id, {}, person))
  return jobs
}

/** The job that looks what is due. */
export const entriesDueJob = systemJobModule(ENTRIES_DUE, entriesDue)
