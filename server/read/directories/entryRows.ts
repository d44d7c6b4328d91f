import type { PlaceRecord } from '../../../core/places/place'
import { CORRECTION_STATES, type CorrectionState } from '../../../core/directories/correctionStates'
import { DIRECTORIES } from '../../../core/directories/directoryList'
import { ENTRY_FIELDS, type EntryField } from '../../../core/directories/entryFields'
import {
  CHANGE_STATES,
  type ChangeState,
  type EntryChange,
  type EntryCorrection,
} from '../../../shared/read/directories'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { notFound } from '../../platform/problems/problem'

/** How many entries a client can have, and how much of their past is told. */
const MOST_ENTRIES = 10_000
const MOST_TOLD = 200
/** What a package of data has brought that is not known here is left where it is. */
const KNOWN = DIRECTORIES.map(({ id }) => id)
const FIELDS = ENTRY_FIELDS.map(({ id }) => id)

/** An entry as it was seen last. */
export interface KeptEntry {
  id: number
  place: number
  directory: string
  remoteId: string
  address: string
  record: PlaceRecord
  isOurs: boolean
  isGone: boolean
  seenAt: Date
}

type EntryRow = Omit<KeptEntry, 'record' | 'isOurs' | 'isGone'> & { record: string; isOurs: number; isGone: number }

const ENTRY = sql`
    SELECT   e.entry_id AS id, e.place_id AS place, e.directory, e.remote_id AS remoteId, e.address, e.record,
             e.is_ours AS isOurs, e.gone_at IS NOT NULL AS isGone, e.seen_at AS seenAt
    FROM     directory_entry e`

const read = ({ record, isOurs, isGone, ...row }: EntryRow): KeptEntry => ({
  ...row,
  record: JSON.parse(record) as PlaceRecord,
  isOurs: isOurs === 1,
  isGone: isGone === 1,
})

/** The entries of a client, of one place or of one directory where that is asked. */
export const entriesOf = async (
  db: ClientDb,
  { place = null, directory = null }: { place?: number | null; directory?: string | null } = {},
): Promise<KeptEntry[]> =>
  (
    await db.rows<EntryRow>(sql`${ENTRY}
    WHERE    e.client_id = ${db.client}
    AND      e.directory IN (${KNOWN})
    AND      (${place} IS NULL OR e.place_id = ${place})
    AND      (${directory} IS NULL OR e.directory = ${directory})
    ORDER BY e.entry_id
    LIMIT    ${MOST_ENTRIES}`)
  ).map(read)

/** @throws Problem 404 when there is no such entry */
export async function entryById(db: ClientDb, id: number): Promise<KeptEntry> {
  const row = await db.one<EntryRow>(sql`${ENTRY}
    WHERE    e.client_id = ${db.client}
    AND      e.entry_id = ${id}`)
  if (!row) throw notFound('entry')
  return read(row)
}

type ChangeRow = Omit<EntryChange, 'place'> & { place: number; placeName: string; keptOver: string | null }

const CHANGE = sql`
    SELECT    c.change_id AS id, c.entry_id AS entry, e.directory, e.place_id AS place, p.name AS placeName, c.field,
              c.was, c.became, c.changed_by AS changedBy, c.seen_at AS seenAt, c.state, c.kept_over AS keptOver,
              COALESCE(u.name, '') AS settledBy
    FROM      entry_change c
    JOIN      directory_entry e ON e.client_id = c.client_id AND e.entry_id = c.entry_id
    JOIN      place p ON p.client_id = e.client_id AND p.place_id = e.place_id
    LEFT JOIN person u ON u.person_id = c.settled_by`

const changeOf = ({ place, placeName, keptOver: _, ...row }: ChangeRow): EntryChange => ({
  ...row,
  place: { id: place, name: placeName },
})

/** The changes of a client's entries, the newest first: those that nobody has settled, or all those of a place. */
export const changesOf = async (db: ClientDb, of: { state?: ChangeState; place?: number }): Promise<EntryChange[]> =>
  (
    await db.rows<ChangeRow>(sql`${CHANGE}
    WHERE     c.client_id = ${db.client}
    AND       e.directory IN (${KNOWN})
    AND       c.field IN (${[...FIELDS, 'entry']})
    AND       c.state IN (${[...CHANGE_STATES]})
    AND       e.is_ours = 1
    AND       p.removed_at IS NULL
    AND       p.is_active = 1
    AND       (${of.state ?? null} IS NULL OR c.state = ${of.state ?? null})
    AND       (${of.place ?? null} IS NULL OR e.place_id = ${of.place ?? null})
    AND       (${db.only === undefined} OR e.place_id IN (${[...(db.only?.places ?? [])]}))
    ORDER BY  c.seen_at DESC, c.change_id DESC
    LIMIT     ${MOST_TOLD}`)
  ).map(changeOf)

/** A change, held against others who settle it; with what the record said before it was kept. @throws Problem 404 */
export async function changeToSettle(db: ClientDb, id: number): Promise<EntryChange & { keptOver: string | null }> {
  const row = await db.one<ChangeRow>(sql`${CHANGE}
    WHERE     c.client_id = ${db.client}
    AND       c.change_id = ${id}
    FOR       UPDATE`)
  if (!row) throw notFound('change')
  return { ...changeOf(row), keptOver: row.keptOver }
}

/** What entries were asked to say, the newest first; of one place, or those that are under way with a directory. */
export const correctionsOf = async (
  db: ClientDb,
  of: { place?: number; directory?: string; state?: CorrectionState } = {},
): Promise<EntryCorrection[]> =>
  await db.rows<EntryCorrection>(sql`
    SELECT    k.correction_id AS id, k.entry_id AS entry, k.field, k.value, k.state, k.reason,
              COALESCE(u.name, '') AS askedBy, k.asked_at AS askedAt, k.answered_at AS answeredAt
    FROM      entry_correction k
    JOIN      directory_entry e ON e.client_id = k.client_id AND e.entry_id = k.entry_id
    LEFT JOIN person u ON u.person_id = k.asked_by
    WHERE     k.client_id = ${db.client}
    AND       e.directory IN (${KNOWN})
    AND       k.field IN (${FIELDS})
    AND       k.state IN (${CORRECTION_STATES.map(({ id }) => id)})
    AND       (${of.place ?? null} IS NULL OR e.place_id = ${of.place ?? null})
    AND       (${of.directory ?? null} IS NULL OR e.directory = ${of.directory ?? null})
    AND       (${of.state ?? null} IS NULL OR k.state = ${of.state ?? null})
    ORDER BY  k.correction_id DESC
    LIMIT     ${MOST_ENTRIES}`)

/** The newest correction of each field of each entry. */
export function newestOf(corrections: readonly EntryCorrection[]): EntryCorrection[] {
  const seen = new Set<string>()
  return corrections.filter(({ entry, field }) => {
    const key = keyOf(entry, field)
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}
export const keyOf = (entry: number, field: EntryField): string => `${entry} ${field}`
