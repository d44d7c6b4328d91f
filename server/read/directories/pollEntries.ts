import { entryComparer, type EntryComparer } from '../../../core/directories/compareEntry'
import { correctionSeen, type CorrectionState } from '../../../core/directories/correctionStates'
import { directoryById, LISTINGS, type Directory } from '../../../core/directories/directoryList'
import { withText } from '../../../core/directories/entryFields'
import { matchEntries } from '../../../core/directories/matchEntries'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { EMPTY_PLACE } from '../../../core/places/place'
import type { EntryCorrection, FoundEntry } from '../../../shared/read/directories'
import type { Place } from '../../../shared/read/places'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { placesOf } from '../places/places'
import { correctionsOf, entriesOf, keyOf, newestOf, type KeptEntry } from './entryRows'
import { ENTRIES_POLL } from './jobs'

/** How many places, and how many corrections, are asked for at once. */
const TOGETHER = 50

/** What is asked of a directory about a place. */
export interface EntryQuery {
  name: string
  lat: number | null
  lon: number | null
  phone: string
  /** The entries of it that are known already. */
  ids: string[]
}

/** What a directory says to a correction. */
export interface CorrectionAnswer {
  state: Extract<CorrectionState, 'sent' | 'taken' | 'refused'>
  reason: string
}

/** How directories are asked. */
export interface AskDirectory {
  find: (directory: string, queries: readonly EntryQuery[]) => Promise<FoundEntry[][]>
  /** How corrections stand, by their keys. */
  standing: (directory: string, keys: readonly string[]) => Promise<CorrectionAnswer[]>
  correct: (
    directory: string,
    correction: { key: string; entry: string; field: string; text: string },
  ) => Promise<CorrectionAnswer>
}

/** The key by which a directory knows a correction, however often it is sent. */
export const correctionKey = (db: ClientDb, id: number): string => `${db.slug}-${id}`

/** Keeps what a directory has said to a correction. */
export const keepAnswer = (db: ClientDb, id: number, { state, reason }: CorrectionAnswer) =>
  db.run(sql`
    UPDATE entry_correction
    SET    state = ${state}, reason = ${reason.slice(0, 400)}, answered_at = ${new Date(now())}
    WHERE  client_id = ${db.client}
    AND    correction_id = ${id}`)

/** What belongs to one look at a directory. */
interface Look {
  directory: Directory
  places: readonly Place[]
  comparer: EntryComparer
  known: Map<string, KeptEntry>
  corrections: Map<string, EntryCorrection>
}

/** Looks at the entries of a directory: what is new, what has changed, what is gone. */
async function pollEntries({ db, job, step, finish }: JobContext, ask: AskDirectory): Promise<void> {
  const directory = directoryById(job.subject)
  const places = (await placesOf(db)).filter(({ isActive }) => isActive)
  await takeAnswers({ db, step }, directory.id, ask)
  const corrections = newestOf(await correctionsOf(db, { directory: directory.id }))
  const look: Look = {
    directory,
    places,
    comparer: entryComparer(dayAt(now(), db.timeZone)),
    known: new Map((await entriesOf(db, { directory: directory.id })).map((entry) => [entry.remoteId, entry])),
    corrections: new Map(corrections.map((each) => [keyOf(each.entry, each.field), each])),
  }
  const listings = await listingIds(db)
  for (let from = 0; from < places.length; from += TOGETHER) {
    const some = places.slice(from, from + TOGETHER)
    const found = await ask.find(
      directory.id,
      some.map((place) => queryFor(place, look, listings)),
    )
    await step(
      (inside) => keepFound(inside, look, some, found.flat(), listings),
      () => ({
        done: from + some.length,
        total: places.length,
        message: `${directory.name}: ${from + some.length} of ${places.length} places`,
      }),
    )
  }
  await finish((inside) => notePoll(inside, directory.id), `${directory.name} was looked at.`)
}

/** Asks how those corrections stand that a directory has not decided yet. */
async function takeAnswers(
  { db, step }: Pick<JobContext, 'db' | 'step'>,
  directory: string,
  ask: AskDirectory,
): Promise<void> {
  const sent = await correctionsOf(db, { directory, state: 'sent' })
  for (let from = 0; from < sent.length; from += TOGETHER) {
    const some = sent.slice(from, from + TOGETHER)
    const answers = await ask.standing(
      directory,
      some.map(({ id }) => correctionKey(db, id)),
    )
    await step(async (inside) => {
      for (const [index, { id, state, reason }] of some.entries()) {
        const answer = answers[index]!
        if (answer.state !== state || answer.reason !== reason) await keepAnswer(inside, id, answer)
      }
    })
  }
}

/** What the network of the listings knows each listing by, by its profile. */
async function listingIds(db: ClientDb): Promise<ReadonlyMap<number, string>> {
  const rows = await db.rows<{ id: number; remote: string }>(sql`
    SELECT profile_id AS id, remote_id AS remote
    FROM   profile
    WHERE  client_id = ${db.client}
    AND    network = ${LISTINGS}
    AND    is_rival = 0`)
  return new Map(rows.map(({ id, remote }) => [id, remote]))
}

function queryFor(place: Place, { known, directory }: Look, listings: ReadonlyMap<number, string>): EntryQuery {
  const { name, lat, lon, phone, id } = place
  const ids = [...known.values()].filter((entry) => entry.place === id).map(({ remoteId }) => remoteId)
  const listing = directory.id === LISTINGS ? listings.get(place.listing?.id ?? 0) : undefined
  return { name, lat, lon, phone, ids: [...new Set([...ids, ...(listing ? [listing] : [])])] }
}

/** Which place each found entry is one of: the one that it is known for, whose listing it is, or that it is most like. */
function placesOfFound(
  { places, known, directory }: Look,
  found: readonly FoundEntry[],
  listings: ReadonlyMap<number, string>,
): (number | undefined)[] {
  if (directory.id === LISTINGS)
    return found.map(({ id }) => places.find(({ listing }) => listing && listings.get(listing.id) === id)?.id)
  const like = matchEntries(
    places,
    found.map(({ record }) => record),
  )
  return found.map(({ id }, index) => known.get(id)?.place ?? places[like[index] ?? -1]?.id)
}

/** Keeps what was found for some places. */
async function keepFound(
  db: ClientDb,
  look: Look,
  some: readonly Place[],
  answers: readonly FoundEntry[],
  listings: ReadonlyMap<number, string>,
): Promise<void> {
  const found = [...new Map(answers.map((entry) => [entry.id, entry])).values()]
  const asked = new Set(some.map(({ id }) => id))
  const belongs = placesOfFound(look, found, listings)
  for (const [index, entry] of found.entries()) {
    const place = belongs[index]
    // whatever belongs to a place that is asked about later is found again then
    if (place === undefined || !asked.has(place)) continue
    const before = look.known.get(entry.id)
    if (before) await keepSeen(db, look, before, some.find(({ id }) => id === place)!, entry)
    else await keepNew(db, look.directory.id, place, entry)
  }
  const places = new Map(found.map(({ id }, index) => [id, belongs[index]]))
  for (const entry of look.known.values()) {
    if (!asked.has(entry.place) || entry.isGone) continue
    if (!places.has(entry.remoteId)) await keepGone(db, entry)
    // a listing that somebody here has taken from its place is not gone
    else if (places.get(entry.remoteId) === undefined) await leave(db, entry)
  }
}

const at = () => new Date(now())

const keepNew = (db: ClientDb, directory: string, place: number, { id, address, record }: FoundEntry) =>
  db.run(sql`
    INSERT INTO directory_entry (client_id, place_id, directory, remote_id, address, record, first_seen_at, seen_at)
    VALUES (${db.client}, ${place}, ${directory}, ${id}, ${address}, ${JSON.stringify(record)}, ${at()}, ${at()})`)

async function keepSeen(
  db: ClientDb,
  look: Look,
  before: KeptEntry,
  place: Place,
  { address, record, changedBy }: FoundEntry,
): Promise<void> {
  await db.run(sql`
    UPDATE directory_entry
    SET    place_id = ${place.id}, record = ${JSON.stringify(record)}, address = ${address}, seen_at = ${at()}, gone_at = NULL
    WHERE  client_id = ${db.client}
    AND    entry_id = ${before.id}`)
  for (const { field, ours: was, theirs: became } of look.comparer.changes(
    before.record,
    record,
    look.directory.carries,
  )) {
    const wanted = look.corrections.get(keyOf(before.id, field))
    const isAsked =
      wanted !== undefined &&
      ['waiting', 'sent', 'taken'].includes(wanted.state) &&
      look.comparer.isSame(field, withText({ ...EMPTY_PLACE, country: place.country }, field, wanted.value), record)
    const state = isAsked ? 'ours' : look.comparer.isSame(field, place, record) ? 'agrees' : 'open'
    await keepChange(db, { entry: before.id, field, was, became, state, changedBy })
  }
  for (const [key, { id, field, value, state }] of look.corrections) {
    if (key !== keyOf(before.id, field)) continue
    const isThere = look.comparer.isSame(
      field,
      withText({ ...EMPTY_PLACE, country: place.country }, field, value),
      record,
    )
    const seen = correctionSeen(state, isThere)
    if (seen === state) continue
    await db.run(sql`
      UPDATE entry_correction
      SET    state = ${seen}, answered_at = ${at()}
      WHERE  client_id = ${db.client}
      AND    correction_id = ${id}`)
  }
}

const keepChange = (
  db: ClientDb,
  change: { entry: number; field: string; was: string; became: string; state: string; changedBy: string },
) =>
  db.run(sql`
    INSERT INTO entry_change (client_id, entry_id, field, was, became, changed_by, state, seen_at)
    VALUES (${db.client}, ${change.entry}, ${change.field}, ${change.was}, ${change.became}, ${change.changedBy},
            ${change.state}, ${at()})`)

const leave = (db: ClientDb, { id }: KeptEntry) =>
  db.run(sql`UPDATE directory_entry SET gone_at = ${at()} WHERE client_id = ${db.client} AND entry_id = ${id}`)

async function keepGone(db: ClientDb, entry: KeptEntry): Promise<void> {
  await leave(db, entry)
  const was = entry.record.name
  await keepChange(db, { entry: entry.id, field: 'entry', was, became: '', state: 'open', changedBy: '' })
}

/** Notes that a directory was looked at, or why that did not work. */
export async function notePoll(db: ClientDb, directory: string, problem = ''): Promise<void> {
  await db.run(sql`
    INSERT INTO directory_poll (client_id, directory, polled_at, problem)
    VALUES (${db.client}, ${directory}, ${problem === '' ? at() : null}, ${problem.slice(0, 400)})
    ON DUPLICATE KEY UPDATE polled_at = COALESCE(VALUES(polled_at), polled_at), problem = VALUES(problem)`)
}

/** The job that looks, by how directories are asked. */
export const pollEntriesJob = (ask: AskDirectory) =>
  jobModule(
    ENTRIES_POLL,
    (context) => pollEntries(context, ask),
    (db, subject) => notePoll(db, subject, 'It could not be looked at. It is tried again with the next look.'),
  )
