import { clientDbForJob } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import type { JobDeclaration } from '../../platform/jobs/job'
import { enqueue } from '../../platform/jobs/queue'

/** How many clients are looked at together. */
const MOST_CLIENTS = 5000

/** Asks for a job of every client that has a rival. @returns how many */
export async function forAllWithRivals(job: JobDeclaration): Promise<number> {
  const rows = await systemDb.rows<{ client: number }>(sql`
    SELECT   DISTINCT client_id AS client
    FROM     profile
    WHERE    is_rival = 1
    AND      is_active = 1
    ORDER BY client_id
    LIMIT    ${MOST_CLIENTS}`)
  for (const { client } of rows) await enqueue(await clientDbForJob(client), job, '', {})
  return rows.length
}
