import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import type { ProfileSet } from '../../../shared/figures/sets'

/** The sets of a client by name, each with its members; for somebody of single places, those of their listings. */
export async function setsOf(db: ClientDb): Promise<ProfileSet[]> {
  const rows = await db.rows<{ id: number; name: string; profile: number | null }>(sql`
    SELECT    s.set_id AS id, s.name, m.profile_id AS profile
    FROM      profile_set s
    LEFT JOIN profile_set_member m ON m.client_id = s.client_id AND m.set_id = s.set_id
    WHERE     s.client_id = ${db.client}
    AND       s.removed_at IS NULL
    ORDER BY  s.name, s.set_id, m.profile_id`)
  const sets = new Map<number, ProfileSet>()
  for (const { id, name, profile } of rows) {
    const set = sets.get(id) ?? { id, name, profiles: [] }
    if (profile !== null && (db.only?.listings.has(profile) ?? true)) set.profiles.push(profile)
    sets.set(id, set)
  }
  return [...sets.values()].filter(({ profiles }) => !db.only || profiles.length > 0)
}

/** Makes a set. @returns its id */
export const addSet = (db: ClientDb, name: string, profiles: readonly number[]): Promise<number> =>
  db.transaction(async (inside) => {
    const { insertId } = await inside.run(
      sql`INSERT INTO profile_set (client_id, name) VALUES (${inside.client}, ${name})`,
    )
    await inside.insertRows(
      'profile_set_member',
      ['set_id', 'profile_id'],
      profiles.map((profile) => [insertId, profile]),
    )
    return insertId
  })

/** Gives a set another name or other members. @returns whether there was such a set */
export const changeSet = (db: ClientDb, id: number, name: string, profiles: readonly number[]): Promise<boolean> =>
  db.transaction(async (inside) => {
    const found = await inside.one<{ set_id: number }>(
      sql`SELECT set_id FROM profile_set WHERE client_id = ${inside.client} AND set_id = ${id} AND removed_at IS NULL FOR UPDATE`,
    )
    if (!found) return false
    await inside.run(sql`UPDATE profile_set SET name = ${name} WHERE client_id = ${inside.client} AND set_id = ${id}`)
    await inside.run(sql`DELETE FROM profile_set_member WHERE client_id = ${inside.client} AND set_id = ${id}`)
    await inside.insertRows(
      'profile_set_member',
      ['set_id', 'profile_id'],
      profiles.map((profile) => [id, profile]),
    )
    return true
  })

/** Takes a set away or, when that was a mistake, brings it back. @returns whether there is such a set */
export const removeSet = async (db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> => {
  if (!(await db.one(sql`SELECT set_id FROM profile_set WHERE client_id = ${db.client} AND set_id = ${id}`)))
    return false
  await db.run(
    sql`UPDATE profile_set SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE client_id = ${db.client} AND set_id = ${id}`,
  )
  return true
}
