import { PLACE_FIELDS, type PlaceRecord } from '../../../core/places/place'
import { networkById } from '../../../core/networks/networks'
import { e164 } from '../../../core/places/phone'
import type { Place, PlaceInput, PlacesAllowance } from '../../../shared/read/places'
import { takeTurn } from '../../figures/takeTurn'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { badRequest, conflict, notFound } from '../../platform/problems/problem'

const MOST = 1000

type Stored = Omit<PlaceRecord, 'categories' | 'attributes' | 'pictures'> & {
  id: number
  categories: string
  attributes: string
  pictures: string | null
  isActive: number
  listing: number | null
  listingName: string | null
  network: string | null
}

const FIELDS = raw(PLACE_FIELDS.map(({ field }) => `p.${field}`).join(', '))
const SELECT = sql`
    SELECT    p.place_id AS id, p.is_active AS isActive, p.profile_id AS listing, l.name AS listingName, l.network,
              ${FIELDS}
    FROM      place p
    LEFT JOIN profile l ON l.client_id = p.client_id AND l.profile_id = p.profile_id`

const read = ({
  listing,
  listingName,
  network,
  isActive,
  categories,
  attributes,
  pictures,
  ...row
}: Stored): Place => ({
  ...row,
  categories: JSON.parse(categories) as string[],
  attributes: JSON.parse(attributes) as string[],
  pictures: JSON.parse(pictures ?? '[]') as string[],
  isActive: isActive === 1,
  listing: listing === null ? null : { id: listing, name: listingName!, networkName: networkById(network!).name },
})

const isLookedAt = ({ only }: ClientDb, { id }: { id: number }): boolean => only === undefined || only.places.has(id)

/**
 * The places of a client in the order of their names, those switched off among them; for somebody of single places,
 * those.
 */
export const placesOf = async (db: ClientDb): Promise<Place[]> =>
  (
    await db.rows<Stored>(sql`${SELECT}
    WHERE     p.client_id = ${db.client}
    AND       p.removed_at IS NULL
    ORDER BY  p.name, p.place_id
    LIMIT     ${MOST}`)
  )
    .filter((row) => isLookedAt(db, row))
    .map(read)

/** What is shown of a place beside its figures. */
export type PlaceHead = Pick<Place, 'id' | 'name' | 'town' | 'lat' | 'lon' | 'isActive'> & { listing: number | null }

/** The places of a client as `placesOf` has them, as little of each as stands beside figures. */
export const placeHeads = async (db: ClientDb): Promise<PlaceHead[]> =>
  (
    await db.rows<Omit<PlaceHead, 'isActive'> & { isActive: number }>(sql`
    SELECT   place_id AS id, name, town, lat, lon, is_active AS isActive, profile_id AS listing
    FROM     place
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY name, place_id
    LIMIT    ${MOST}`)
  )
    .filter((row) => isLookedAt(db, row))
    .map((row) => ({ ...row, isActive: row.isActive === 1 }))

/** @throws Problem 404 when there is no such place */
export async function placeById(db: ClientDb, id: number): Promise<Place> {
  const row = await db.one<Stored>(sql`${SELECT}
    WHERE     p.client_id = ${db.client}
    AND       p.place_id = ${id}
    AND       p.removed_at IS NULL`)
  if (!row || !isLookedAt(db, row)) throw notFound('place')
  return read(row)
}

const phoneOf = ({ phone, country }: PlaceInput): string => e164(phone, country)

/** @throws Problem 400 when the listing is none of the client's own, or stands for another place */
async function checkListing(db: ClientDb, listing: number | null, own?: number): Promise<void> {
  if (listing === null) return
  const found = await db.one<{ place: number | null }>(sql`
    SELECT    o.place_id AS place
    FROM      profile l
    LEFT JOIN place o ON o.client_id = l.client_id AND o.profile_id = l.profile_id AND o.removed_at IS NULL
              AND o.place_id <> ${own ?? 0}
    WHERE     l.client_id = ${db.client}
    AND       l.profile_id = ${listing}
    AND       l.is_rival = 0
    LIMIT     1`)
  const say = (message: string) => badRequest(message, { fields: { listing: message } })
  if (!found) throw say('That profile is none of the client’s own.')
  if (found.place !== null) throw say('That listing stands for another place already.')
}

/**
 * Adds a place, within a transaction.
 *
 * @throws Problem 400 when there are too many, or the listing cannot be taken; 409 when the allowance is used up
 */
export async function addPlace(db: ClientDb, place: PlaceInput): Promise<number> {
  await checkListing(db, place.listing)
  await refusePlaceBeyondAllowance(db)
  const { count } = (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM place WHERE client_id = ${db.client} AND removed_at IS NULL`,
  ))!
  if (count >= MOST) throw badRequest(`A client has ${MOST} places at the most.`)
  const { insertId } = await db.run(sql`
    INSERT INTO place (client_id, name, categories, street, town, postcode, country, lat, lon, phone, web, hours,
                       attributes, description, pictures, profile_id)
    VALUES (${db.client}, ${place.name}, ${JSON.stringify(place.categories)}, ${place.street}, ${place.town},
            ${place.postcode}, ${place.country}, ${place.lat}, ${place.lon}, ${phoneOf(place)}, ${place.web},
            ${place.hours}, ${JSON.stringify(place.attributes)}, ${place.description},
            ${JSON.stringify(place.pictures)}, ${place.listing})`)
  return insertId
}

/** @throws Problem 404 when there is no such place, 400 when the listing cannot be taken */
export async function changePlace(db: ClientDb, id: number, place: PlaceInput): Promise<void> {
  await placeById(db, id)
  await checkListing(db, place.listing, id)
  await db.run(sql`
    UPDATE place
    SET    name = ${place.name}, categories = ${JSON.stringify(place.categories)}, street = ${place.street}, town = ${place.town},
           postcode = ${place.postcode}, country = ${place.country}, lat = ${place.lat}, lon = ${place.lon},
           phone = ${phoneOf(place)}, web = ${place.web}, hours = ${place.hours}, attributes = ${JSON.stringify(place.attributes)},
           description = ${place.description}, pictures = ${JSON.stringify(place.pictures)}, profile_id = ${place.listing},
           changed_at = NOW()
    WHERE  client_id = ${db.client}
    AND    place_id = ${id}`)
}

/**
 * Switches a place off, so that it is left out of what is compared, or on again, within a transaction; its past stays.
 *
 * @throws Problem 404 when there is no such place, 409 when the allowance is used up
 */
export async function switchPlace(db: ClientDb, id: number, isActive: boolean): Promise<void> {
  const place = await placeById(db, id)
  if (isActive && !place.isActive) await refusePlaceBeyondAllowance(db)
  await db.run(sql`UPDATE place SET is_active = ${isActive} WHERE client_id = ${db.client} AND place_id = ${id}`)
}

/** Takes a place away; its listing stays where it is. @returns whether it was there */
export async function removePlace(db: ClientDb, id: number): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE place
    SET    removed_at = ${new Date(now())}
    WHERE  client_id = ${db.client}
    AND    place_id = ${id}
    AND    removed_at IS NULL`)
  return affectedRows === 1
}

/**
 * Brings back a place that was taken away, within a transaction.
 *
 * @returns whether it was taken away
 * @throws  Problem 409 when it is switched on and the allowance is used up meanwhile
 */
export async function bringBackPlace(db: ClientDb, id: number): Promise<boolean> {
  const gone = await db.one<{ isActive: number }>(sql`
    SELECT is_active AS isActive
    FROM   place
    WHERE  client_id = ${db.client}
    AND    place_id = ${id}
    AND    removed_at IS NOT NULL`)
  if (!gone) return false
  if (gone.isActive === 1) await refusePlaceBeyondAllowance(db)
  await db.run(sql`UPDATE place SET removed_at = NULL WHERE client_id = ${db.client} AND place_id = ${id}`)
  return true
}

/** How many places the agency may have switched on, and how many it has; no limit where none was agreed. */
export async function placesAllowance(db: ClientDb): Promise<PlacesAllowance> {
  const row = await db.one<{ allowed: number | null; used: number }>(sql`
    SELECT a.active_places AS allowed,
           (SELECT COUNT(*)
            FROM   place p
            JOIN   client other ON other.client_id = p.client_id
            WHERE  other.agency_id = a.agency_id
            AND    p.is_active = 1
            AND    p.removed_at IS NULL) AS used
    FROM   client c
    JOIN   agency a ON a.agency_id = c.agency_id
    WHERE  c.client_id = ${db.client}`)
  return { limit: row!.allowed, used: row!.used }
}

/** One more is switched on, if there is room: two who do so at the same moment write the same row. */
async function refusePlaceBeyondAllowance(inside: ClientDb): Promise<void> {
  await takeTurn(inside)
  const { limit, used } = await placesAllowance(inside)
  if (limit !== null && used >= limit)
    throw conflict(
      `All ${limit} places of the agency's allowance are switched on. Switch one off that is not needed now – its ` +
        'past is kept – and try again.',
    )
}
