import { networkById } from '../../../core/networks/networks'
import type { ClientDb } from '../../platform/database/clientDb'
import type { Member } from './aggregates'
import { raw, sql } from '../../platform/database/sql'
import type { Restatement } from '../../../shared/figures/restatement'

/** A profile of a client as its row has it, with how far its figures were fetched. */
export interface ProfileRow {
  profile_id: number
  network: string
  networkName: string
  handle: string
  name: string
  remote_id: string
  is_active: number
  is_rival: number
  /** The competitor that it belongs to. */
  rival: string | null
  consent: 'none' | 'given' | 'withdrawn'
  /** The last day up to which its figures were fetched. */
  synced_to: string | null
  synced_at: Date | null
  first_fetch: number
  sync_error: string | null
  /** Its handle before the present one, and the day on which it was found under that. */
  former_handle: string | null
  renamed_on: string | null
  /** The day from which on its network no longer has it. */
  gone_on: string | null
  /** The first day with any figure. */
  oldest: string | null
  /** Whether it has any figures; a profile that nobody has connected yet is no part of a figure, and no gap either. */
  has_figures: number
}

/** The first entry of the index, and no more: a minimum would read every day of the profile. */
const OLDEST = raw(
  '(SELECT d.day FROM profile_day d WHERE d.client_id = p.client_id AND d.profile_id = p.profile_id ORDER BY d.day LIMIT 1) AS oldest',
)

/** How far the figures of a profile were fetched. */
const SYNCED_TO = sql`(
    SELECT s.through
    FROM   connection k
    JOIN   sync_cursor s ON s.client_id = k.client_id AND s.connection_id = k.connection_id AND s.stream = 'figures'
    WHERE  k.client_id = p.client_id
    AND    k.profile_id = p.profile_id) AS synced_to`

type Stored = Omit<ProfileRow, 'networkName' | 'has_figures'>
const withNetwork = (row: Stored): ProfileRow => ({
  ...row,
  networkName: networkById(row.network).name,
  has_figures: row.oldest === null ? 0 : 1,
})

const isLookedAt = ({ only }: ClientDb, { profile_id: profile }: Stored): boolean =>
  only === undefined || only.listings.has(profile)

/** Every profile of a client, those switched off included; for somebody of single places, their listings. */
export async function profilesOf(db: ClientDb): Promise<ProfileRow[]> {
  const rows = await db.rows<Stored>(sql`
    SELECT   profile_id, network, handle, name, remote_id, is_active, is_rival, rival, consent, synced_at,
             first_fetch, sync_error, former_handle, renamed_on, gone_on, ${SYNCED_TO}, ${OLDEST}
    FROM     profile p
    WHERE    client_id = ${db.client}
    ORDER BY profile_id`)
  return rows.filter((row) => isLookedAt(db, row)).map(withNetwork)
}

/** Switches a profile off, so that it is neither fetched nor part of any figure, or on again; its past stays. */
export async function switchProfile(db: ClientDb, profileId: number, isActive: boolean): Promise<boolean> {
  if (!(await db.one(sql`SELECT profile_id FROM profile WHERE client_id = ${db.client} AND profile_id = ${profileId}`)))
    return false
  await db.run(
    sql`UPDATE profile SET is_active = ${isActive} WHERE client_id = ${db.client} AND profile_id = ${profileId}`,
  )
  return true
}

/** Says to which organisation a rival's profile belongs. @returns false where there is no such profile of a rival */
export async function nameRival(db: ClientDb, profileId: number, rival: string): Promise<boolean> {
  const known = sql`client_id = ${db.client} AND profile_id = ${profileId} AND is_rival = 1`
  if (!(await db.one(sql`SELECT profile_id FROM profile WHERE ${known}`))) return false
  await db.run(sql`UPDATE profile SET rival = ${rival} WHERE ${known}`)
  return true
}

/** What a network has restated of a profile, the newest first. */
export const restatementsOf = (db: ClientDb, profileId: number, limit: number): Promise<Restatement[]> =>
  db.rows<Restatement>(sql`
  SELECT   day, metric, seen_at AS seenAt, old_value AS oldValue, new_value AS newValue
  FROM     restatement
  WHERE    client_id = ${db.client}
  AND      profile_id = ${profileId}
  ORDER BY seen_at DESC, day DESC, metric
  LIMIT    ${limit}`)

/** The client's own profiles that are switched on. */
export const activeProfiles = async (db: ClientDb): Promise<ProfileRow[]> =>
  (await profilesOf(db)).filter(({ is_active: active, is_rival: rival }) => active && !rival)

/** A profile as a roll-up needs to know it. */
export const memberOf = ({ profile_id: profile, network, consent }: ProfileRow): Member => ({
  profile,
  network,
  isPublicOnly: consent === 'none',
})

/** One profile of a client, whatever its state. */
export async function profileById(db: ClientDb, profileId: number): Promise<ProfileRow | undefined> {
  const row = await db.one<Stored>(sql`
    SELECT profile_id, network, handle, name, remote_id, is_active, is_rival, rival, consent, synced_at,
           first_fetch, sync_error, former_handle, renamed_on, gone_on, ${SYNCED_TO}, ${OLDEST}
    FROM   profile p
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profileId}`)
  return row && isLookedAt(db, row) ? withNetwork(row) : undefined
}
