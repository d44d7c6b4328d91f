import { addDays, type Day } from '../../../core/days/day'
import type { VolumePage } from '../connectors/connector'
import { connectorFor } from '../connectors/connectorFor'
import { sql } from '../../platform/database/sql'
import { systemDb } from '../../platform/database/systemDb'
import { VOLUMES } from '../../figures/remembered'

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
