import type { PostingState } from '../../../core/plan/postStates'
import { now } from '../../platform/clock'
import { clientDbForJob, type ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { systemJobModule } from '../../platform/jobs/job'
import { enqueue } from '../../platform/jobs/queue'
import { planSettings } from '../posts/planSettings'
import { settle } from '../posts/plannedStates'
import { PUBLISH, PUBLISH_DUE } from './jobs'

/** How many are looked at in one minute; the rest has its turn in the next. */
const MOST_AT_ONCE = 2000

interface DueRow {
  client: number
  id: number
  profile: number
  plannedAt: Date
  isByHand: number
  state: PostingState
}

/**
 * Puts what has come to its time into the queue, each once, whoever else looks at the same moment. What a person
 * publishes by hand becomes something to do; what is later than its client allows waits for a decision.
 *
 * @returns how many go out
 */
export async function publishDue(): Promise<number> {
  const at = now()
  const due = await systemDb.rows<DueRow>(sql`
    SELECT   p.client_id AS client, p.planned_id AS id, y.profile_id AS profile, p.planned_at AS plannedAt,
             y.is_by_hand AS isByHand, y.state
    FROM     planned_post p
    JOIN     planned_posting y ON y.client_id = p.client_id AND y.planned_id = p.planned_id
    WHERE    p.state IN ('scheduled', 'publishing', 'late', 'failed')
    AND      p.planned_at <= ${new Date(at)}
    AND      p.removed_at IS NULL
    AND      y.state IN ('', 'publishing')
    ORDER BY p.planned_at, p.planned_id, y.profile_id
    LIMIT    ${MOST_AT_ONCE}`)
  let count = 0
  for (const client of new Set(due.map((row) => row.client))) {
    const db = await clientDbForJob(client)
    const lateMs = (await planSettings(db)).lateMinutes * 60_000
    await db.transaction(async (inside) => {
      const profiles = new Set<number>()
      for (const row of due.filter((each) => each.client === client)) {
        // what is on its way stays so, whatever time it is
        const isNew = row.state === ''
        if (isNew && row.isByHand === 1) await waitFor(inside, row, 'to do')
        else if (isNew && at - row.plannedAt.getTime() > lateMs) await waitFor(inside, row, 'late')
        else {
          profiles.add(row.profile)
          count++
        }
      }
      for (const profile of profiles) await enqueue(inside, PUBLISH, profile, {})
    })
  }
  return count
}

/** Leaves a posting to a person. */
async function waitFor(db: ClientDb, { id, profile }: DueRow, state: 'to do' | 'late'): Promise<void> {
  await db.run(sql`
    UPDATE planned_posting
    SET    state = ${state}
    WHERE  client_id = ${db.client}
    AND    planned_id = ${id}
    AND    profile_id = ${profile}
    AND    state = ''`)
  await settle(db, id)
}

/** The job that looks for what is due. */
export const publishDueJob = systemJobModule(PUBLISH_DUE, publishDue)
