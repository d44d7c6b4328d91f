import { dayAt } from '../../../core/days/lastCompleteDay'
import type { Day } from '../../../core/days/day'
import { nextCheck, type Rhythm } from '../../../core/ranks/rankRhythm'
import { now } from '../../platform/clock'
import { clientDbForJob } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { systemJobModule } from '../../platform/jobs/job'
import { enqueue } from '../../platform/jobs/queue'
import { RANK_CHECK, RANKS_DUE } from './jobs'

/** How many are looked at together; the rest has its turn with the next. */
const MOST_AT_ONCE = 2000

/**
 * Puts the checks into the queue whose day has come. One that has failed today is left alone until tomorrow: what it
 * waits for is said where it stands.
 *
 * @returns how many
 */
export async function ranksDue(): Promise<number> {
  const rows = await systemDb.rows<{ client: number; id: number; rhythm: Rhythm; zone: string; last: Day | null }>(sql`
    SELECT   w.client_id AS client, w.watch_id AS id, w.rhythm, c.time_zone AS zone,
             (SELECT MAX(k.day) FROM rank_check k WHERE k.client_id = w.client_id AND k.watch_id = w.watch_id
               AND k.checked_at IS NOT NULL) AS last
    FROM     rank_watch w
    JOIN     place p ON p.client_id = w.client_id AND p.place_id = w.place_id AND p.is_active = 1 AND p.removed_at IS NULL
    JOIN     client c ON c.client_id = w.client_id
    WHERE    w.removed_at IS NULL
    AND      w.rhythm <> 'by-hand'
    AND      NOT EXISTS (SELECT 1 FROM job j WHERE j.client_id = w.client_id AND j.kind = ${RANK_CHECK.kind}
               AND j.subject = w.watch_id AND j.created_at > NOW() - INTERVAL 20 HOUR AND j.state = 'failed')
    ORDER BY last, w.watch_id
    LIMIT    ${MOST_AT_ONCE}`)
  const due = rows.filter(({ rhythm, zone, last }) => {
    const today = dayAt(now(), zone)
    return last !== today && nextCheck(rhythm, last ?? undefined, today) === today
  })
  for (const { client, id } of due) await enqueue(await clientDbForJob(client), RANK_CHECK, id, {})
  return due.length
}

/** The job that looks which checks are due. */
export const ranksDueJob = systemJobModule(RANKS_DUE, ranksDue)
