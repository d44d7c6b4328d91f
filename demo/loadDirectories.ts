import type { PoolConnection, RowDataPacket } from 'mysql2/promise'
import { DIRECTORIES } from '../core/directories/directoryList'
import { entryText } from '../core/directories/entryFields'
import { addDays, type Day } from '../core/days/day'
import type { FoundEntry } from '../shared/read/directories'
import { entriesIn, entryPlace, PAST_CHANGES, PAST_CORRECTIONS } from './directories'
import { PLACES } from './places'

/** What directories say of the places: as if they had been looked at all along, up to the last night. */
export async function loadDirectories(
  db: PoolConnection,
  clients: ReadonlyMap<string, number>,
  anchor: Day,
): Promise<void> {
  const nightOf = (days: number, time: string) => `${addDays(anchor, -days)} ${time}`
  const [rows] = await db.query<(RowDataPacket & { id: number; client: number; name: string })[]>(
    'SELECT place_id AS id, client_id AS client, name FROM place',
  )
  const ids = new Map<string, { client: number; id: number; entry: FoundEntry }>()
  const keptOf = ({ directory, handle }: { directory: string; handle: string }) => ids.get(`${directory} ${handle}`)!
  for (const { id: directory } of DIRECTORIES) {
    for (const entry of entriesIn(directory)) {
      const place = entryPlace(directory, entry)
      const row =
        place && rows.find(({ client, name }) => client === clients.get(place.client) && name === place.record.name)
      if (!row) continue
      const [made] = await db.query(
        `INSERT INTO directory_entry (client_id, place_id, directory, remote_id, address, record, first_seen_at, seen_at)
         VALUES (?)`,
        [
          [
            row.client,
            row.id,
            directory,
            entry.id,
            entry.address,
            JSON.stringify(entry.record),
            nightOf(60, '02:10:00'),
            nightOf(0, '20:10:00'),
          ],
        ],
      )
      const key = `${directory} ${place.handle}`
      if (!ids.has(key)) ids.set(key, { client: row.client, id: (made as { insertId: number }).insertId, entry })
    }
    for (const client of new Set(rows.map((row) => row.client)))
      await db.query('INSERT INTO directory_poll (client_id, directory, polled_at) VALUES (?)', [
        [client, directory, nightOf(0, '20:10:00')],
      ])
  }
  for (const change of PAST_CHANGES) {
    const { client, id, entry } = keptOf(change)
    await db.query(
      'INSERT INTO entry_change (client_id, entry_id, field, was, became, changed_by, seen_at, state) VALUES (?)',
      [
        [
          client,
          id,
          change.field,
          change.was,
          change.became || entryText(entry.record, change.field),
          change.state === 'ours' ? 'the owner' : entry.changedBy,
          nightOf(change.days, '02:10:00'),
          change.state,
        ],
      ],
    )
  }
  for (const { field, state, reason, days, ...of } of PAST_CORRECTIONS) {
    const { client, id } = keptOf(of)
    const { record } = PLACES.find(({ handle }) => handle === of.handle)!
    await db.query(
      `INSERT INTO entry_correction (client_id, entry_id, field, value, state, reason, asked_by, asked_at, answered_at)
       SELECT ?, ?, ?, ?, ?, ?, MIN(person_id), ?, ? FROM person WHERE role = 'analyst'`,
      [
        client,
        id,
        field,
        entryText(record, field),
        state,
        reason,
        nightOf(days, '14:05:00'),
        nightOf(days - 1, '02:10:00'),
      ],
    )
  }
}
