import type { SavedParts } from '../../shared/figures/scopeFields'
import type { ClientDb } from '../platform/database/clientDb'
import { sql } from '../platform/database/sql'
import type { SavedScope } from '../../shared/figures/savedScopes'

/** The saved scopes of a client by name; they may name what somebody of single places does not see: none for those. */
export const savedScopes = async (db: ClientDb): Promise<SavedScope[]> =>
  db.only
    ? []
    : (
        await db.rows<{ id: number; name: string; parts: string }>(sql`
  SELECT   scope_id AS id, name, parts
  FROM     saved_scope
  WHERE    client_id = ${db.client}
  AND      removed_at IS NULL
  ORDER BY name, scope_id`)
      ).map((row) => ({ ...row, parts: JSON.parse(row.parts) as SavedParts }))

/** @returns the id of the new saved scope */
export const saveScope = async (db: ClientDb, name: string, parts: SavedParts): Promise<number> =>
  (
    await db.run(sql`
  INSERT INTO saved_scope (client_id, name, parts) VALUES (${db.client}, ${name}, ${JSON.stringify(parts)})`)
  ).insertId

/** Takes a saved scope away or brings it back. @returns whether there is such a one */
export async function removeScope(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  if (!(await db.one(sql`SELECT scope_id FROM saved_scope WHERE client_id = ${db.client} AND scope_id = ${id}`)))
    return false
  await db.run(
    sql`UPDATE saved_scope SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE client_id = ${db.client} AND scope_id = ${id}`,
  )
  return true
}
