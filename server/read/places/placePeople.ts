import type { PersonOfPlaces } from '../../../shared/read/places'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'

const MOST_PEOPLE = 1000

/** The viewers of a client by name, each with the places to which they are assigned. */
export async function placePeople(db: ClientDb): Promise<PersonOfPlaces[]> {
  const rows = await db.rows<{ id: number; name: string; email: string; isOfPlaces: number }>(sql`
    SELECT   p.person_id AS id, p.name, p.email, c.is_of_places AS isOfPlaces
    FROM     person_client c
    JOIN     person p ON p.person_id = c.person_id
    WHERE    c.client_id = ${db.client}
    AND      p.role = 'viewer'
    AND      p.is_active = 1
    ORDER BY p.name, p.person_id
    LIMIT    ${MOST_PEOPLE}`)
  const assigned = await db.rows<{ person: number; place: number }>(sql`
    SELECT   a.person_id AS person, a.place_id AS place
    FROM     person_place a
    JOIN     place p ON p.client_id = a.client_id AND p.place_id = a.place_id
    WHERE    a.client_id = ${db.client}
    AND      p.removed_at IS NULL
    ORDER BY a.person_id, a.place_id`)
  return rows.map(({ isOfPlaces, ...person }) => ({
    ...person,
    places: isOfPlaces === 1 ? assigned.filter((each) => each.person === person.id).map(({ place }) => place) : null,
  }))
}

/**
 * Assigns a viewer to single places of a client, so that they see those and nothing else of it, or to none in
 * particular: then they see what is released.
 *
 * @param places  null for all that is released
 * @throws Problem 404 when the client has no such viewer, 400 when a place is none of the client's
 */
export const assignPlaces = (db: ClientDb, person: number, places: readonly number[] | null): Promise<void> =>
  db.transaction(async (inside) => {
    const viewer = await inside.one(sql`
      SELECT c.person_id
      FROM   person_client c
      JOIN   person p ON p.person_id = c.person_id
      WHERE  c.client_id = ${inside.client}
      AND    c.person_id = ${person}
      AND    p.role = 'viewer'
      FOR    UPDATE`)
    if (!viewer) throw notFound('viewer')
    const wanted = [...new Set(places ?? [])]
    const known = await inside.one<{ many: number }>(sql`
      SELECT COUNT(*) AS many FROM place WHERE client_id = ${inside.client} AND removed_at IS NULL AND place_id IN (${wanted})`)
    if (known!.many !== wanted.length)
      throw badRequest('Choose places of this client.', { fields: { places: 'Choose places of this client.' } })
    await inside.run(sql`DELETE FROM person_place WHERE client_id = ${inside.client} AND person_id = ${person}`)
    await inside.insertRows(
      'person_place',
      ['person_id', 'place_id'],
      wanted.map((place) => [person, place]),
    )
    await inside.run(sql`
      UPDATE person_client
      SET    is_of_places = ${places !== null}
      WHERE  client_id = ${inside.client}
      AND    person_id = ${person}`)
  })
