import type { PlaceGroup } from '../../../shared/read/places'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'

const MOST_GROUPS = 200

/**
 * The groups of a client's places by name, each with those of its places that are there; for somebody of single places,
 * those groups that any of them is in, without the others.
 */
export async function placeGroups(db: ClientDb): Promise<PlaceGroup[]> {
  const rows = await db.rows<{ id: number; name: string; place: number | null }>(sql`
    SELECT    g.group_id AS id, g.name, p.place_id AS place
    FROM      place_group g
    LEFT JOIN place_group_member m ON m.client_id = g.client_id AND m.group_id = g.group_id
    LEFT JOIN place p ON p.client_id = m.client_id AND p.place_id = m.place_id AND p.removed_at IS NULL
    WHERE     g.client_id = ${db.client}
    AND       g.removed_at IS NULL
    ORDER BY  g.name, g.group_id, p.place_id`)
  const groups = new Map<number, PlaceGroup>()
  for (const { id, name, place } of rows) {
    const group = groups.get(id) ?? { id, name, places: [] }
    if (place !== null && (db.only?.places.has(place) ?? true)) group.places.push(place)
    groups.set(id, group)
  }
  return [...groups.values()].filter(({ places }) => !db.only || places.length > 0)
}

/** The places of a group. @throws Problem 404 when there is no such group */
export async function placesOfGroup(db: ClientDb, id: number): Promise<ReadonlySet<number>> {
  const group = (await placeGroups(db)).find((each) => each.id === id)
  if (!group) throw notFound('group of places')
  return new Set(group.places)
}

/**
 * Makes a group, or gives one another name or other places.
 *
 * @param id  the group; a new one where it is undefined
 * @returns   its id
 * @throws    Problem 404 when there is no such group, 400 when a place is none of the client’s or there are too many
 */
export const keepPlaceGroup = (
  db: ClientDb,
  id: number | undefined,
  { name, places }: { name: string; places: readonly number[] },
): Promise<number> =>
  db.transaction(async (inside) => {
    const wanted = [...new Set(places)]
    const known = await inside.one<{ many: number }>(sql`
      SELECT COUNT(*) AS many FROM place WHERE client_id = ${inside.client} AND removed_at IS NULL AND place_id IN (${wanted})`)
    if (known!.many !== wanted.length)
      throw badRequest('Choose places of this client.', { fields: { places: 'Choose places of this client.' } })
    const group = id === undefined ? await newGroup(inside, name) : await changedGroup(inside, id, name)
    await inside.insertRows(
      'place_group_member',
      ['group_id', 'place_id'],
      wanted.map((place) => [group, place]),
    )
    return group
  })

async function newGroup(inside: ClientDb, name: string): Promise<number> {
  const { many } = (await inside.one<{ many: number }>(
    sql`SELECT COUNT(*) AS many FROM place_group WHERE client_id = ${inside.client} AND removed_at IS NULL`,
  ))!
  if (many >= MOST_GROUPS) throw badRequest(`A client has ${MOST_GROUPS} groups of places at the most.`)
  return (await inside.run(sql`INSERT INTO place_group (client_id, name) VALUES (${inside.client}, ${name})`)).insertId
}

async function changedGroup(inside: ClientDb, id: number, name: string): Promise<number> {
  const found = await inside.one(sql`
    SELECT group_id FROM place_group WHERE client_id = ${inside.client} AND group_id = ${id} AND removed_at IS NULL FOR UPDATE`)
  if (!found) throw notFound('group of places')
  await inside.run(sql`UPDATE place_group SET name = ${name} WHERE client_id = ${inside.client} AND group_id = ${id}`)
  await inside.run(sql`DELETE FROM place_group_member WHERE client_id = ${inside.client} AND group_id = ${id}`)
  return id
}

/** Takes a group away or, when that was a mistake, brings it back; its places stay. @returns whether there is one */
export async function removePlaceGroup(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  if (!(await db.one(sql`SELECT group_id FROM place_group WHERE client_id = ${db.client} AND group_id = ${id}`)))
    return false
  await db.run(sql`
    UPDATE place_group
    SET    removed_at = IF(${isRemoved}, NOW(), NULL)
    WHERE  client_id = ${db.client}
    AND    group_id = ${id}`)
  return true
}
