import { entryComparer, type ComparedEntry } from '../../../core/directories/compareEntry'
import { DIRECTORIES, directoryById } from '../../../core/directories/directoryList'
import { dayAt } from '../../../core/days/lastCompleteDay'
import type {
  DirectoriesView,
  DirectoryCell,
  DirectoryRow,
  DirectorySummary,
  EntryCorrection,
  PlaceEntries,
} from '../../../shared/read/directories'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { placeById, placesOf } from '../places/places'
import { missingEntries, newestRequests, requestKey, requestsOf } from './entryRequests'
import { changesOf, correctionsOf, entriesOf, newestOf, type KeptEntry } from './entryRows'

interface Poll {
  directory: string
  polledAt: Date | null
  problem: string
}
const pollsOf = (db: ClientDb): Promise<Poll[]> =>
  db.rows<Poll>(sql`
    SELECT directory, polled_at AS polledAt, problem
    FROM   directory_poll
    WHERE  client_id = ${db.client}`)

/** What directories say of the places of a client, beside the master records. */
export async function directories(db: ClientDb): Promise<DirectoriesView> {
  const [places, entries, corrections, polls, changes, requests] = await Promise.all([
    placesOf(db),
    entriesOf(db),
    correctionsOf(db),
    pollsOf(db),
    changesOf(db, { state: 'open' }),
    requestsOf(db),
  ])
  const asked = newestRequests(requests)
  const compare = entryComparer(dayAt(now(), db.timeZone))
  const seen = new Set(polls.filter(({ polledAt }) => polledAt).map(({ directory }) => directory))
  const byCell = grouped(
    entries.filter(({ isOurs, isGone }) => isOurs && !isGone),
    ({ place, directory }) => `${place} ${directory}`,
  )
  const byEntry = grouped(newestOf(corrections), ({ entry }) => String(entry))
  const rows = places
    .filter(({ isActive }) => isActive)
    .map(
      (place): DirectoryRow => ({
        place: { id: place.id, name: place.name, town: place.town },
        cells: DIRECTORIES.map(({ id, carries }) => {
          const there = byCell.get(`${place.id} ${id}`) ?? []
          const request = asked.get(requestKey({ place: place.id, directory: id }))
          const cell = cellOf(
            id,
            there.map((entry) => ({
              ...compare.compare(place, entry.record, carries),
              corrections: byEntry.get(String(entry.id)) ?? [],
            })),
            seen.has(id),
          )
          return cell.is === 'missing' && request ? { ...cell, request: request.state } : cell
        }),
      }),
    )
  return { rows, directories: DIRECTORIES.map(({ id }) => summaryOf(id, rows, polls)), changes }
}

function grouped<T>(values: readonly T[], keyOf: (value: T) => string): ReadonlyMap<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const value of values) {
    const group = groups.get(keyOf(value))
    if (group) group.push(value)
    else groups.set(keyOf(value), [value])
  }
  return groups
}

function cellOf(
  directory: string,
  entries: readonly (ComparedEntry & { corrections: readonly EntryCorrection[] })[],
  isSeen: boolean,
): DirectoryCell {
  const [best] = [...entries].sort((a, b) => (b.agreement ?? 0) - (a.agreement ?? 0))
  // what was refused and is right all the same needs nobody
  const open = entries.flatMap(({ fields, corrections }) =>
    corrections.filter(({ field }) => fields.some((each) => each.field === field && each.is !== 'same')),
  )
  const many = (...states: EntryCorrection['state'][]) => open.filter(({ state }) => states.includes(state)).length
  return {
    directory,
    is: entries.length > 1 ? 'doubled' : best ? 'there' : isSeen ? 'missing' : 'not seen',
    ...(best?.agreement !== undefined && { agreement: best.agreement, completeness: best.completeness! }),
    differs: best?.fields.filter(({ is }) => is === 'differs').length ?? 0,
    underWay: many('waiting', 'sent'),
    failed: many('refused', 'changed back'),
  }
}

function summaryOf(directory: string, rows: readonly DirectoryRow[], polls: readonly Poll[]): DirectorySummary {
  const cells = rows.flatMap(({ cells }) => cells.filter((cell) => cell.directory === directory))
  const poll = polls.find((each) => each.directory === directory)
  const many = (is: DirectoryCell['is']) => cells.filter((cell) => cell.is === is).length
  // an entry that is missing says nothing of what the record says
  const shares = cells.filter((cell) => cell.is === 'missing' || cell.agreement !== undefined)
  const mean = (of: (cell: DirectoryCell) => number) => shares.reduce((sum, cell) => sum + of(cell), 0) / shares.length
  return {
    directory,
    name: directoryById(directory).name,
    polledAt: poll?.polledAt ?? null,
    problem: poll?.problem ?? '',
    there: many('there') + many('doubled'),
    missing: many('missing'),
    doubled: many('doubled'),
    ...(shares.length > 0 && {
      completeness: mean(({ completeness = 0 }) => completeness),
      agreement: mean(({ agreement = 0 }) => agreement),
    }),
  }
}

/** The entries of a place field by field beside its master record, and what happened to them. @throws Problem 404 */
export async function placeEntries(db: ClientDb, id: number): Promise<PlaceEntries> {
  const place = await placeById(db, id)
  const [entries, corrections, changes, requests, polls] = await Promise.all([
    entriesOf(db, { place: id }),
    correctionsOf(db, { place: id }),
    changesOf(db, { place: id }),
    requestsOf(db, { place: id }),
    pollsOf(db),
  ])
  const seen = new Set(polls.filter(({ polledAt }) => polledAt).map(({ directory }) => directory))
  const newest = newestOf(corrections)
  const compare = entryComparer(dayAt(now(), db.timeZone))
  const order = new Map(DIRECTORIES.map((each, index) => [each.id, index]))
  const told = ({ id: entry, directory, address, isOurs, isGone, seenAt, record }: KeptEntry) => ({
    id: entry,
    directory,
    name: directoryById(directory).name,
    address,
    isOurs,
    isGone,
    seenAt,
    ...compare.compare(place, record, directoryById(directory).carries),
    corrections: newest.filter((correction) => correction.entry === entry),
  })
  return {
    place: { id: place.id, name: place.name },
    entries: entries.map(told).sort((a, b) => order.get(a.directory)! - order.get(b.directory)! || a.id - b.id),
    missing: missingEntries(place, entries, requests, (directory) => seen.has(directory)),
    changes,
    corrections: corrections.slice(0, 200),
  }
}
