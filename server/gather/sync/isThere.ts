import { dayAt } from '../../../core/days/lastCompleteDay'
import { plainHandle } from '../../../core/networks/profileAddress'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { now } from '../../platform/clock'
import { sql } from '../../platform/database/sql'
import type { JobContext } from '../../platform/jobs/context'
import type { ProfileConnection } from '../connectors/connections'
import { RateLimited } from '../connectors/connector'
import { connectorFor } from '../connectors/connectorFor'

/**
 * Asks a network under what handle it has a profile now, by its id. A profile that was renamed goes on under its new
 * handle. Of one that is no longer there everything is kept, and the sync ends.
 *
 * @returns whether there is anything to fetch
 */
export async function isThere(
  { db, step, finish }: JobContext,
  profile: ProfileRow,
  connection: ProfileConnection,
): Promise<boolean> {
  const { identity } = connectorFor(connection)
  if (!identity) return true
  const id = profile.profile_id
  const today = dayAt(now(), db.timeZone)
  const found = await identity().catch((error: unknown) => {
    // figures that the network will soon forget do not wait for a name
    if (error instanceof RateLimited) return 'not now' as const
    throw error
  })
  if (found === 'not now') return true
  if (!found) {
    const goneOn = profile.gone_on ?? today
    const said =
      `${profile.networkName} no longer has this profile. What it had up to then is kept; ` +
      'it is asked for again by itself.'
    await finish(
      (inside) =>
        inside.run(sql`
          UPDATE profile
          SET    gone_on = ${goneOn}, synced_at = NOW(), first_fetch = 0, sync_error = ${said}
          WHERE  client_id = ${inside.client}
          AND    profile_id = ${id}`),
      said,
    )
    return false
  }
  const isRenamed = plainHandle(found.handle) !== plainHandle(profile.handle)
  if (!isRenamed && found.name === profile.name && profile.gone_on === null) return true
  await step((inside) =>
    inside.run(sql`
      UPDATE profile
      SET    former_handle = IF(${isRenamed}, handle, former_handle), renamed_on = IF(${isRenamed}, ${today}, renamed_on),
             handle = ${isRenamed ? found.handle : profile.handle}, name = ${found.name}, gone_on = NULL
      WHERE  client_id = ${inside.client}
      AND    profile_id = ${id}`),
  )
  return true
}
