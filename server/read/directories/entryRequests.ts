import { DIRECTORIES, directoryById, LISTINGS, type Directory } from '../../../core/directories/directoryList'
import { entryText, withText } from '../../../core/directories/entryFields'
import { EMPTY_PLACE, type PlaceRecord } from '../../../core/places/place'
import type {
  CorrectionAnswer,
  EntryRequest,
  MissingEntry,
  OutgoingRequest,
  RequestedEntry,
} from '../../../shared/read/directories'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { enqueue } from '../../platform/jobs/queue'
import { badRequest, conflict } from '../../platform/problems/problem'
import { placeById } from '../places/places'
import { entriesOf, type KeptEntry } from './entryRows'
import { ENTRIES_SEND } from './jobs'

/** The newest requests are told; there is one for each place and directory that is under way. */
const MOST_TOLD = 10_000

export interface KeptRequest extends EntryRequest {
  id: number
  place: number
  directory: string
}

/** What directories were asked to have of places, the newest first; of one place, one directory or one state. */
export const requestsOf = (
  db: ClientDb,
  {
    place = null,
    directory = null,
    state = null,
  }: { place?: number | null; directory?: string | null; state?: EntryRequest['state'] | null } = {},
): Promise<KeptRequest[]> =>
  db.rows<KeptRequest>(sql`
    SELECT    r.request_id AS id, r.place_id AS place, r.directory, r.state, r.reason, r.asked_at AS askedAt,
              COALESCE(u.name, '') AS askedBy
    FROM      entry_request r
    JOIN      place p ON p.client_id = r.client_id AND p.place_id = r.place_id AND p.removed_at IS NULL
    LEFT JOIN person u ON u.person_id = r.asked_by
    WHERE     r.client_id = ${db.client}
    AND       r.directory IN (${DIRECTORIES.map(({ id }) => id)})
    AND       (${place} IS NULL OR r.place_id = ${place})
    AND       (${directory} IS NULL OR r.directory = ${directory})
    AND       (${state} IS NULL OR r.state = ${state})
    ORDER BY  r.request_id DESC
    LIMIT     ${MOST_TOLD}`)

/** The newest request of each place and directory, by both. */
export function newestRequests(requests: readonly KeptRequest[]): ReadonlyMap<string, KeptRequest> {
  const newest = new Map<string, KeptRequest>()
  for (const request of requests) if (!newest.has(requestKey(request))) newest.set(requestKey(request), request)
  return newest
}
export const requestKey = ({ place, directory }: { place: number; directory: string }): string =>
  `${place} ${directory}`

/** What of a record a directory can have. */
const carriedOf = (record: PlaceRecord, { carries }: Directory): PlaceRecord =>
  carries.reduce((sent, field) => withText(sent, field, entryText(record, field)), { ...EMPTY_PLACE })

/** The directories without an entry of a place, what each would be given, and how that stands. */
export function missingEntries(
  place: PlaceRecord & { id: number },
  entries: readonly KeptEntry[],
  requests: readonly KeptRequest[],
  isSeen: (directory: string) => boolean,
): MissingEntry[] {
  const newest = newestRequests(requests)
  const has = new Set(entries.filter(({ isOurs, isGone }) => isOurs && !isGone).map(({ directory }) => directory))
  return DIRECTORIES.filter(({ id }) => id !== LISTINGS && !has.has(id) && isSeen(id)).map((directory) => {
    const request = newest.get(requestKey({ place: place.id, directory: directory.id }))
    const said = directory.carries.map((field) => ({ field, text: entryText(place, field) }))
    return {
      directory: directory.id,
      name: directory.name,
      sent: said.filter(({ text }) => text !== ''),
      ...(request && {
        request: { state: request.state, reason: request.reason, askedAt: request.askedAt, askedBy: request.askedBy },
      }),
    }
  })
}

/**
 * Asks directories for entries of places that they do not have, with what the master records say.
 *
 * @returns the numbers of the jobs that send it, one for each directory
 * @throws  Problem 404 when there is no such place, 409 when a directory has an entry or was asked already, 400 when it
 *          takes no entries from here
 */
export async function askForEntries(db: ClientDb, items: readonly RequestedEntry[], person: number): Promise<number[]> {
  return await db.transaction(async (inside) => {
    // two who ask at once wait for each other before they read what was asked for, so that it is asked for once
    await inside.rows(sql`
      SELECT   place_id
      FROM     place
      WHERE    client_id = ${db.client}
      AND      place_id IN (${items.map(({ place }) => place)})
      ORDER BY place_id
      FOR UPDATE`)
    const directories = new Set<string>()
    for (const item of items) {
      await askFor(inside, item, person)
      directories.add(item.directory)
    }
    const jobs: number[] = []
    for (const directory of directories) jobs.push(await enqueue(inside, ENTRIES_SEND, directory, {}, person))
    return jobs
  })
}

async function askFor(db: ClientDb, { place: id, directory }: RequestedEntry, person: number): Promise<void> {
  const { name } = directoryById(directory)
  if (directory === LISTINGS)
    throw badRequest(`${name} has the listings of profiles: its owner opens one there. Connect it under Profiles then.`)
  const place = await placeById(db, id)
  const entries = await entriesOf(db, { place: id, directory })
  if (entries.some(({ isOurs, isGone }) => isOurs && !isGone))
    throw conflict(`${name} has an entry of ${place.name} already. Look at it, and correct it.`)
  const [last] = await requestsOf(db, { place: id, directory })
  if (last && (last.state === 'waiting' || last.state === 'sent'))
    throw conflict(`${name} was asked for an entry of ${place.name} already. Look again once it has answered.`)
  await db.run(sql`
    INSERT INTO entry_request (client_id, place_id, directory, state, asked_by, asked_at)
    VALUES (${db.client}, ${id}, ${directory}, 'waiting', ${person}, ${new Date(now())})`)
}

/** The key by which a directory knows a request, however often it is sent. */
export const keyOfRequest = (db: ClientDb, id: number): string => `${db.slug}-entry-${id}`

/** What a directory is given. @throws Problem 404 when the place was removed meanwhile */
export async function outgoingRequest(db: ClientDb, { id, place, directory }: KeptRequest): Promise<OutgoingRequest> {
  return { key: keyOfRequest(db, id), record: carriedOf(await placeById(db, place), directoryById(directory)) }
}

/** Keeps what a directory has said to a request. */
export const keepRequestAnswer = (db: ClientDb, id: number, { state, reason }: CorrectionAnswer) =>
  db.run(sql`
    UPDATE entry_request
    SET    state = ${state}, reason = ${reason.slice(0, 400)}, answered_at = ${new Date(now())}
    WHERE  client_id = ${db.client}
    AND    request_id = ${id}`)
