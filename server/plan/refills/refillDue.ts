import { clientDbForJob } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { systemJobModule } from '../../platform/jobs/job'
import { REFILL_DUE } from './jobs'
import { fillSlots } from './fillSlots'

/**
 * Fills the slots of every list that is switched on, each by itself.
 *
 * @returns how many posts were written
 * @throws AggregateError when some lists could not be filled; the others are
 */
export async function refillDue(): Promise<number> {
  const lists = await systemDb.rows<{ client: number; id: number }>(sql`
    SELECT   client_id AS client, refill_id AS id
    FROM     plan_refill
    WHERE    is_on = 1
    AND      removed_at IS NULL
    ORDER BY client_id, refill_id`)
  let written = 0
  const failed: unknown[] = []
  for (const { client, id } of lists)
    try {
      written += await fillSlots(await clientDbForJob(client), id)
    } catch (error) {
      // one list that cannot be filled keeps no other from it
      failed.push(error)
    }
  if (failed.length > 0) throw new AggregateError(failed, `${failed.length} of ${lists.length} lists were not filled`)
  return written
}

/** The job that fills what is to be filled. */
export const refillDueJob = systemJobModule(REFILL_DUE, refillDue)
