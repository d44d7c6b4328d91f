import { isDeepStrictEqual } from 'node:util'
import type { EntryComparer } from '../../../core/directories/compareEntry'
import { correctionSeen, type CorrectionState } from '../../../core/directories/correctionStates'
import { LISTINGS, type Directory } from '../../../core/directories/directoryList'
import { withText } from '../../../core/directories/entryFields'
import { matchEntries } from '../../../core/directories/matchEntries'
import { EMPTY_PLACE, type PlaceRecord } from '../../../core/places/place'
import type { EntryChange, EntryCorrection, FoundEntry } from '../../../shared/read/directories'
import type { Place } from '../../../shared/read/places'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { keepAnswer } from './correctionAnswers'
import { keyOf, type KeptEntry } from './entryRows'

/** Corrections after which a change to what they ask for is no surprise. */
const EXPECTED: readonly CorrectionState[] = ['waiting', 'sent', 'taken']

/** What belongs to one look at a directory. */
export interface Look {
  directory: Directory
  places: readonly Place[]
  comparer: EntryComparer
  known: Map<string, KeptEntry>
  /** The newest correction of each field of each entry. */
  corrections: Map<string, EntryCorrection>
  /** What the network of the listings knows each listing by, by its profile. */
  listings: ReadonlyMap<number, string>
}

/** Which place each found entry is one of: the one that it is known for, whose listing it is, or that it is most like. */
function placesOfFound(
  { places, known, directory, listings }: Look,
  found: readonly FoundEntry[],
): (number | undefined)[] {
  if (directory.id === LISTINGS)
    return found.map(({ id }) => places.find(({ listing }) => listing && listings.get(listing.id) === id)?.id)
  const strange = found.filter(({ id }) => !known.has(id))
  const like = matchEntries(
    places,
    strange.map(({ record }) => record),
  )
  const likest = new Map(strange.map(({ id }, index) => [id, places[like[index] ?? -1]?.id]))
  return found.map(({ id }) => known.get(id)?.place ?? likest.get(id))
}

/** Keeps what was found for some places. */
export async function keepFound(
  db: ClientDb,
  look: Look,
  some: readonly Place[],
  answers: readonly FoundEntry[],
): Promise<void> {
  const found = [...new Map(answers.map((entry) => [entry.id, entry])).values()]
  const asked = new Set(some.map(({ id }) => id))
  const belongs = placesOfFound(look, found)
  const added: unknown[][] = []
  const asTheyWere: number[] = []
  for (const [index, entry] of found.entries()) {
    const place = belongs[index]
    // whatever belongs to a place that is asked about later is found again then
    if (place === undefined || !asked.has(place)) continue
    const before = look.known.get(entry.id)
    if (!before)
      added.push([place, look.directory.id, entry.id, entry.address, JSON.stringify(entry.record), at(), at()])
    else if (isAsItWas(before, place, entry)) asTheyWere.push(before.id)
    else await keepSeen(db, before, place, entry)
    if (before) await keepWhatBecame(db, look, before, some.find(({ id }) => id === place)!, entry)
  }
  await db.insertRows(
    'directory_entry',
    ['place_id', 'directory', 'remote_id', 'address', 'record', 'first_seen_at', 'seen_at'],
    added,
  )
  if (asTheyWere.length > 0)
    await db.run(
      sql`UPDATE directory_entry SET seen_at = ${at()} WHERE client_id = ${db.client} AND entry_id IN (${asTheyWere})`,
    )
  const places = new Map(found.map(({ id }, index) => [id, belongs[index]]))
  for (const entry of look.known.values()) {
    if (!asked.has(entry.place) || entry.isGone) continue
    if (!places.has(entry.remoteId)) await keepGone(db, entry)
    // a listing that somebody here has taken from its place is not gone
    else if (places.get(entry.remoteId) === undefined) await leave(db, entry)
  }
}

const at = () => new Date(now())

/** Whether an entry says to the letter what it has said with the last look. */
const isAsItWas = (before: KeptEntry, place: number, { address, record }: FoundEntry): boolean =>
  !before.isGone && before.place === place && before.address === address && isDeepStrictEqual(before.record, record)

const keepSeen = (db: ClientDb, before: KeptEntry, place: number, { address, record }: FoundEntry) =>
  db.run(sql`
    UPDATE directory_entry
    SET    place_id = ${place}, record = ${JSON.stringify(record)}, address = ${address}, seen_at = ${at()}, gone_at = NULL
    WHERE  client_id = ${db.client}
    AND    entry_id = ${before.id}`)

/** Keeps what has changed in an entry, and what has become of what it was asked to say instead. */
async function keepWhatBecame(
  db: ClientDb,
  look: Look,
  before: KeptEntry,
  place: Place,
  { record, changedBy }: FoundEntry,
): Promise<void> {
  /** Whether a record says what a correction of the entry has asked for. */
  const says = (said: PlaceRecord, { field, value }: EntryCorrection) =>
    look.comparer.isSame(field, withText({ ...EMPTY_PLACE, country: place.country }, field, value), said)
  const { carries } = look.directory
  for (const { field, ours: was, theirs: became } of look.comparer.changes(before.record, record, carries)) {
    const wanted = look.corrections.get(keyOf(before.id, field))
    const isAsked = wanted !== undefined && EXPECTED.includes(wanted.state) && says(record, wanted)
    const state = isAsked ? 'ours' : look.comparer.isSame(field, place, record) ? 'agrees' : 'open'
    await keepChange(db, { entry: before.id, field, was, became, state, changedBy })
  }
  for (const correction of look.corrections.values()) {
    if (correction.entry !== before.id) continue
    const state = correctionSeen(correction.state, says(before.record, correction), says(record, correction))
    if (state !== correction.state) await keepAnswer(db, correction.id, { state, reason: '' })
  }
}

const keepChange = (
  db: ClientDb,
  change: Pick<EntryChange, 'entry' | 'field' | 'was' | 'became' | 'state' | 'changedBy'>,
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
