import { nextCheck, type Rhythm } from '../../../core/ranks/rankRhythm'
import { dayAt } from '../../../core/days/lastCompleteDay'
import type { Day } from '../../../core/days/day'
import type { RankKind } from '../../../core/ranks/found'
import { gridSize, type GridShape } from '../../../core/ranks/rankGrid'
import { gridOf, type RankWatch, type RankWatchInput } from '../../../shared/read/ranks'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'
import { placeById } from '../places/places'

/** How much a client can have looked for. */
export const MOST_WATCHES = 200

interface WatchRow {
  id: number
  place: number
  placeName: string
  listing: number | null
  keyword: string
  kind: RankKind
  rhythm: Rhythm
  shape: GridShape
  spacing: number
  rings: number
  lat: number
  lon: number
  last: Day | null
}
/** Something that is looked for, with where its middle is and which profile is the listing of its place. */
export interface KeptWatch extends RankWatch {
  lat: number
  lon: number
  listing: number | null
}

const SELECT = sql`
    SELECT   w.watch_id AS id, w.place_id AS place, p.name AS placeName, p.profile_id AS listing, w.keyword, w.kind,
             w.rhythm, w.shape, w.spacing, w.rings, w.lat, w.lon,
             (SELECT MAX(c.day) FROM rank_check c WHERE c.client_id = w.client_id AND c.watch_id = w.watch_id
               AND c.checked_at IS NOT NULL) AS last
    FROM     rank_watch w
    JOIN     place p ON p.client_id = w.client_id AND p.place_id = w.place_id`

function read(row: WatchRow, today: Day): KeptWatch {
  const grid = { shape: row.shape, spacing: row.spacing, rings: row.rings }
  return {
    id: row.id,
    place: { id: row.place, name: row.placeName },
    keyword: row.keyword,
    kind: row.kind,
    rhythm: row.rhythm,
    grid,
    points: gridSize(grid),
    last: row.last,
    next: nextCheck(row.rhythm, row.last ?? undefined, today) ?? null,
    lat: row.lat,
    lon: row.lon,
    listing: row.listing,
  }
}

/** The day of today on the clocks of a client: a check belongs to the day on which it was made. */
export const todayOf = (db: ClientDb): Day => dayAt(now(), db.timeZone)

/** What is looked for, by place and keyword. */
export const watchesOf = async (db: ClientDb): Promise<KeptWatch[]> =>
  (
    await db.rows<WatchRow>(sql`${SELECT}
    WHERE    w.client_id = ${db.client}
    AND      w.removed_at IS NULL
    AND      p.removed_at IS NULL
    AND      p.is_active = 1
    ORDER BY p.name, w.keyword, w.watch_id
    LIMIT    ${MOST_WATCHES}`)
  ).map((row) => read(row, todayOf(db)))

/** @throws Problem 404 when nothing of that number is looked for */
export async function watchById(db: ClientDb, id: number): Promise<KeptWatch> {
  const row = await db.one<WatchRow>(sql`${SELECT}
    WHERE    w.client_id = ${db.client}
    AND      w.watch_id = ${id}
    AND      w.removed_at IS NULL
    AND      p.removed_at IS NULL`)
  if (!row) throw notFound('keyword')
  return read(row, todayOf(db))
}

/**
 * What stands for a place in the results: on the map its listing, among pages its address.
 *
 * @throws Problem 400 where the place has none
 */
export async function soughtFor(db: ClientDb, place: number, kind: RankKind): Promise<string> {
  const { listing, web } = await placeById(db, place)
  const say = (message: string) => badRequest(message, { fields: { place: message } })
  if (kind !== 'map') {
    if (web === '') throw say('That place has no web address to look for. Write it down first.')
    return web
  }
  const row = listing
    ? await db.one<{ remote: string }>(
        sql`SELECT remote_id AS remote FROM profile WHERE client_id = ${db.client} AND profile_id = ${listing.id}`,
      )
    : undefined
  if (!row) throw say('That place has no listing to look for on the map. Say which profile it is first.')
  return row.remote
}

/**
 * Keeps what somebody wants to have looked for. Where its points lie stays, wherever its place moves: what was measured
 * before and after would not be alike.
 *
 * @throws Problem 400 when its place is not on the map, has nothing to look for, or there is too much already
 */
export async function addWatch(db: ClientDb, input: RankWatchInput): Promise<number> {
  const { lat, lon } = await placeById(db, input.place)
  if (lat === null || lon === null) {
    const message = 'Nobody has said where that place is. Set it on the map first.'
    throw badRequest(message, { fields: { place: message } })
  }
  await soughtFor(db, input.place, input.kind)
  const { count } = (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM rank_watch WHERE client_id = ${db.client} AND removed_at IS NULL`,
  ))!
  if (count >= MOST_WATCHES) throw badRequest(`${MOST_WATCHES} keywords at the most. Remove some first.`)
  const { shape, spacing, rings } = gridOf(input)
  const { insertId } = await db.run(sql`
    INSERT INTO rank_watch (client_id, place_id, keyword, kind, rhythm, shape, spacing, rings, lat, lon)
    VALUES (${db.client}, ${input.place}, ${input.keyword}, ${input.kind}, ${input.rhythm}, ${shape}, ${spacing},
            ${rings}, ${lat}, ${lon})`)
  return insertId
}

/** Changes how often it is looked for. @throws Problem 404 when nothing of that number is */
export async function changeRhythm(db: ClientDb, id: number, rhythm: Rhythm): Promise<void> {
  await watchById(db, id)
  await db.run(sql`UPDATE rank_watch SET rhythm = ${rhythm} WHERE client_id = ${db.client} AND watch_id = ${id}`)
}

/** Looks for it no more, or again; what was found stays. */
export async function removeWatch(db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE rank_watch
    SET    removed_at = ${isRemoved ? new Date() : null}
    WHERE  client_id = ${db.client}
    AND    watch_id = ${id}
    AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
  return affectedRows === 1
}
