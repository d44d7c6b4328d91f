import type { Period } from '../../../core/periods/period'
import type { NoteInput, Note } from '../../../shared/figures/notes'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** The notes that touch a period, the earliest first: their place in this list is their number on the chart. */
export const notesIn = (db: ClientDb, { from, to }: Period): Promise<Note[]> =>
  db.rows<Note>(sql`
  SELECT    n.note_id AS id, n.from_day AS \`from\`, n.to_day AS \`to\`, n.title, n.body, p.name AS writtenBy
  FROM      note n
  LEFT JOIN person p ON p.person_id = n.written_by
  WHERE     n.client_id = ${db.client}
  AND       n.removed_at IS NULL
  AND       n.from_day <= ${to}
  AND       n.to_day >= ${from}
  ORDER BY  n.from_day, n.note_id`)

/** @returns the id of the new note */
export const addNote = async (db: ClientDb, note: NoteInput, person: number): Promise<number> =>
  (
    await db.run(sql`
  INSERT INTO note (client_id, from_day, to_day, title, body, written_by)
  VALUES (${db.client}, ${note.from}, ${note.to}, ${note.title}, ${note.body}, ${person})`)
  ).insertId

/** @returns whether there was such a note */
export const changeNote = async (db: ClientDb, id: number, note: NoteInput): Promise<boolean> =>
  (
    await db.run(sql`
  UPDATE note
  SET    from_day = ${note.from}, to_day = ${note.to}, title = ${note.title}, body = ${note.body}
  WHERE  client_id = ${db.client}
  AND    note_id = ${id}
  AND    removed_at IS NULL`)
  ).affectedRows === 1

/** Takes a note away or, when that was a mistake, brings it back. */
export const removeNote = async (db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> =>
  (
    await db.run(sql`
  UPDATE note
  SET    removed_at = IF(${isRemoved}, NOW(), NULL)
  WHERE  client_id = ${db.client}
  AND    note_id = ${id}`)
  ).affectedRows === 1
