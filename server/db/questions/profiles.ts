import { networkById } from '../../../core/networks/networks'
import type { ClientDb } from '../clientDb'
import { sql } from '../sql'

/** A profile of a client, without its tokens. */
export interface ProfileRow {
  profile_id: number
  network: string
  networkName: string
  handle: string
  name: string
  remote_id: string
  is_active: number
  consent: 'none' | 'given' | 'withdrawn'
  synced_to: string | null
  synced_at: Date | null
  first_fetch: number
  sync_error: string | null
}

const withNetwork = (row: Omit<ProfileRow, 'networkName'>): ProfileRow => ({ ...row, networkName: networkById(row.network).name })

/** Every profile of a client, those switched off included. */
export async function profilesOf(db: ClientDb): Promise<ProfileRow[]> {
  const rows = await db.rows<Omit<ProfileRow, 'networkName'>>(sql`
    SELECT   profile_id, network, handle, name, remote_id, is_active, consent, synced_to, synced_at, first_fetch, sync_error
    FROM     profile
    WHERE    client_id = ${db.client}
    ORDER BY profile_id`)
  return rows.map(withNetwork)
}

/** The profiles that are switched on. */
export const activeProfiles = async (db: ClientDb): Promise<ProfileRow[]> => (await profilesOf(db)).filter(({ is_active: active }) => active)

/** One profile with its sealed tokens, for a sync. */
export const profileForSync = (db: ClientDb, profileId: number) => db.one<ProfileRow & { tokens: Buffer | null }>(sql`
  SELECT profile_id, network, handle, name, remote_id, is_active, consent, synced_to, synced_at, first_fetch, sync_error, tokens
  FROM   profile
  WHERE  client_id = ${db.client}
  AND    profile_id = ${profileId}`)
