import { addDays } from '../../../core/days/day'
import { dayAt, lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { daysUntilForgotten } from '../../../core/networks/daysUntilForgotten'
import { rememberedDays } from '../../../core/networks/rememberedDays'
import { now } from '../../platform/clock'
import { clientDbForJob } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { enqueue } from '../../platform/jobs/queue'
import { systemJobModule } from '../../platform/jobs/job'
import { SYNC, SYNC_DUE } from './jobs'

interface DueRow {
  client_id: number
  profile_id: number
  network: string
  consent: string
  time_zone: string
  synced_to: string | null
  stale: number
}

/** For how many days posts are looked at each hour: most of what they bring comes then. */
const YOUNG_DAYS = 2

/**
 * Puts the syncs that are due into the queue: of profiles whose figures do not reach the last complete day, or that
 * were not asked for six hours. Those come first of which a network will soonest forget something. A profile in trouble
 * is left alone for ten minutes; one that waits already, also because its network has asked for it, is not touched. One
 * that its network no longer has is asked for every hour until the next day is over, as networks err, then once a day.
 */
export async function enqueueDue(): Promise<void> {
  const yesterday = addDays(dayAt(now(), 'UTC'), -1)
  const youngSince = addDays(dayAt(now(), 'UTC'), -YOUNG_DAYS)
  const rows = await systemDb.rows<DueRow>(sql`
    SELECT p.client_id, p.profile_id, p.network, p.consent, c.time_zone, s.through AS synced_to,
             p.synced_at IS NULL OR p.synced_at < NOW() - INTERVAL IF(EXISTS (
               SELECT 1 FROM post y WHERE y.client_id = p.client_id AND y.profile_id = p.profile_id
               AND y.day >= ${youngSince}), 1, 6) HOUR AS stale
    FROM   profile p
    JOIN   client c ON c.client_id = p.client_id
    LEFT JOIN connection k ON k.client_id = p.client_id AND k.profile_id = p.profile_id
    LEFT JOIN sync_cursor s ON s.client_id = k.client_id AND s.connection_id = k.connection_id AND s.stream = 'figures'
    WHERE  p.is_active = 1
    AND    p.consent <> 'withdrawn'
    AND    (p.gone_on IS NULL OR p.synced_at < NOW() - INTERVAL IF(p.gone_on >= ${yesterday}, 1, 20) HOUR)
    AND    NOT EXISTS (SELECT 1 FROM job l WHERE l.live_key = CONCAT(p.client_id, ':sync:', p.profile_id))
    AND    (p.sync_error IS NULL OR NOT EXISTS (
             SELECT 1 FROM job j WHERE j.client_id = p.client_id AND j.kind = 'sync' AND j.subject = p.profile_id
    AND j.created_at > NOW() - INTERVAL 10 MINUTE))`)
  const due = rows.flatMap((row) => {
    const last = lastCompleteDay(now(), row.time_zone)
    const isDue = row.stale === 1 || row.synced_to === null || row.synced_to < last
    return isDue
      ? [
          {
            ...row,
            left: daysUntilForgotten(row.synced_to, last, rememberedDays(row.network, row.consent === 'given')),
          },
        ]
      : []
  })
  for (const { client_id: client, profile_id: profile } of due.sort((a, b) => a.left - b.left))
    await enqueue(await clientDbForJob(client), SYNC, profile, {})
}

/** The job that looks for what is due. */
export const syncDueJob = systemJobModule(SYNC_DUE, enqueueDue)
