import { addDays, type Day } from '../../../core/days/day'
import type { VolumePage } from '../connectors/connector'
import { connectorFor } from '../connectors/connectorFor'
import { NetworkTrouble } from '../connectors/connector'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { networkById } from '../../../core/networks/networks'
import { now } from '../../platform/clock'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { systemJobModule } from '../../platform/jobs/job'
import { VOLUMES } from '../../figures/remembered'
import { VOLUME } from './jobs'

/** How far back the volume of a network is asked for, and how many of its newest days are asked for again. */
const PAST_DAYS = 400
const RESTATED_DAYS = 3

/**
 * Fetches what happened on a whole network up to a day; what is known already is not asked for again. The volume
 * belongs to no client.
 *
 * @throws NetworkTrouble or RateLimited; what was fetched before stays
 */
export async function fetchVolume(network: string, last: Day): Promise<void> {
  const known = await systemDb.one<{ day: Day | null }>(
    sql`SELECT MAX(day) AS day FROM network_day WHERE network = ${network}`,
  )
  if (known?.day && known.day >= last) return
  const { volume } = connectorFor({ connector: network })
  if (!volume) return
  let next: Day | undefined = known?.day ? addDays(known.day, 1 - RESTATED_DAYS) : addDays(last, 1 - PAST_DAYS)
  while (next) {
    const page: VolumePage = await volume(next)
    for (const { day, posts, interactions, impressions } of page.data) {
      await systemDb.run(
        sql`REPLACE INTO network_day (network, day, posts, interactions, impressions)
            VALUES (${network}, ${day}, ${posts}, ${interactions}, ${impressions})`,
      )
    }
    next = page.next
  }
  await systemDb.run(
    sql`INSERT INTO client_version (client_id, topic) VALUES (${VOLUMES}, 'network_day') ON DUPLICATE KEY UPDATE version = version + 1`,
  )
}

/**
 * Fetches the volume of every network that a profile is measured on, up to the last day that is complete somewhere, all
 * networks at the same time. One that fails keeps no other from its turn.
 *
 * @throws NetworkTrouble that names those which did not answer, when all have had their turn
 */
export async function fetchVolumes(): Promise<void> {
  const measured = await systemDb.rows<{ network: string; time_zone: string }>(sql`
    SELECT   DISTINCT p.network, c.time_zone
    FROM     profile p
    JOIN     client c ON c.client_id = p.client_id
    WHERE    p.is_active = 1`)
  const lastOf = new Map<string, Day>()
  for (const { network, time_zone: zone } of measured) {
    const last = lastCompleteDay(now(), zone)
    if (last > (lastOf.get(network) ?? '')) lastOf.set(network, last)
  }
  const failed = (
    await Promise.all(
      [...lastOf].map(([network, last]) =>
        fetchVolume(network, last).then(
          () => [],
          (error: unknown) => [`${networkById(network).name} (${(error as Error).message})`],
        ),
      ),
    )
  ).flat()
  if (failed.length > 0) throw new NetworkTrouble(`The whole volume is missing of ${failed.join(', ')}`)
}

/** The job that fetches the volumes. */
export const volumeJob = systemJobModule(VOLUME, fetchVolumes)
