import { ValidationError } from 'yup'
import { directoryById } from '../../../core/directories/directoryList'
import { entryFieldById, entryText, withText, type EntryField } from '../../../core/directories/entryFields'
import { placeSchema } from '../../../shared/read/places'
import type { EntryChange, Settlement } from '../../../shared/read/directories'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { enqueue } from '../../platform/jobs/queue'
import { badRequest, conflict } from '../../platform/problems/problem'
import { changePlace, placeById } from '../places/places'
import { changeToSettle, entryById, type KeptEntry } from './entryRows'
import { ENTRIES_SEND } from './jobs'

/**
 * Asks directories to say what the master record says.
 *
 * @returns the numbers of the jobs that send it, one for each directory
 * @throws  Problem 404 when there is no such entry, 400 when the record says nothing of a field or the directory does not carry it
 */
export async function askForCorrections(
  db: ClientDb,
  items: readonly { entry: number; field: EntryField }[],
  person: number,
): Promise<number[]> {
  return await db.transaction(async (inside) => {
    const directories = new Set<string>()
    for (const { entry, field } of items) {
      const kept = await entryById(inside, entry)
      await askFor(inside, kept, field, person)
      directories.add(kept.directory)
    }
    const jobs: number[] = []
    for (const directory of directories) jobs.push(await enqueue(inside, ENTRIES_SEND, directory, {}, person))
    return jobs
  })
}

async function askFor(db: ClientDb, entry: KeptEntry, field: EntryField, person: number): Promise<void> {
  const { name, carries } = directoryById(entry.directory)
  const words = entryFieldById(field).name.toLowerCase()
  if (entry.isGone) throw badRequest(`${name} has that entry no more, so it cannot be corrected.`)
  if (!carries.includes(field)) throw badRequest(`Entries of ${name} have no ${words}.`)
  const place = await placeById(db, entry.place)
  const value = entryText(place, field)
  if (value === '') throw badRequest(`The master record of ${place.name} has no ${words} to send. Write it down first.`)
  await db.run(sql`
    UPDATE entry_correction
    SET    state = 'withdrawn'
    WHERE  client_id = ${db.client} AND entry_id = ${entry.id} AND field = ${field} AND state = 'waiting'`)
  await db.run(sql`
    INSERT INTO entry_correction (client_id, entry_id, field, value, state, asked_by, asked_at)
    VALUES (${db.client}, ${entry.id}, ${field}, ${value}, 'waiting', ${person}, ${new Date(now())})`)
}

/** Says that an entry is none of the client's, so that it is left out, or that it is one after all. */
export async function sayOurs(db: ClientDb, id: number, isOurs: boolean): Promise<void> {
  await entryById(db, id)
  await db.run(sql`
    UPDATE directory_entry SET is_ours = ${isOurs} WHERE client_id = ${db.client} AND entry_id = ${id}`)
}

/**
 * Settles changes that nobody here has made: what became is right and goes into the master record, ours is put back, or
 * what was kept is not settled after all, and the record says again what it said before.
 *
 * @returns the numbers of the jobs that send what is put back
 * @throws  Problem 404 when there is no such change, 409 when it is settled already, 400 when the record cannot take it
 */
export async function settleChanges(
  db: ClientDb,
  { changes, what }: { changes: readonly number[]; what: Settlement },
  person: number,
): Promise<number[]> {
  return await db.transaction(async (inside) => {
    const back: { entry: number; field: EntryField }[] = []
    for (const id of changes) {
      const change = await changeToSettle(inside, id)
      if (what === 'open') {
        await reopen(inside, change)
        continue
      }
      if (change.state !== 'open') throw conflict('Somebody has settled that change already. Load the page again.')
      if (what === 'keep') await keep(inside, change, person)
      else if (change.field === 'entry')
        throw badRequest('That entry is gone: it cannot be put back from here. Ask the directory.')
      else {
        back.push({ entry: change.entry, field: change.field })
        await settle(inside, change.id, 'back', null, person)
      }
    }
    return back.length === 0 ? [] : await askForCorrections(inside, back, person)
  })
}

const settle = (
  db: ClientDb,
  id: number,
  state: EntryChange['state'],
  keptOver: string | null,
  person: number | null,
) =>
  db.run(sql`
    UPDATE entry_change
    SET    state = ${state}, kept_over = ${keptOver}, settled_by = ${person},
           settled_at = ${person === null ? null : new Date(now())}
    WHERE  client_id = ${db.client}
    AND    change_id = ${id}`)

async function keep(db: ClientDb, change: EntryChange, person: number): Promise<void> {
  if (change.field === 'entry') return void (await settle(db, change.id, 'kept', null, person))
  const place = await placeById(db, change.place.id)
  await writeField(db, change, change.became)
  await settle(db, change.id, 'kept', entryText(place, change.field), person)
}

async function reopen(db: ClientDb, change: EntryChange & { keptOver: string | null }): Promise<void> {
  if (change.state !== 'kept') throw conflict('That change was not kept, so there is nothing to take back.')
  if (change.field !== 'entry' && change.keptOver !== null) await writeField(db, change, change.keptOver)
  await settle(db, change.id, 'open', null, null)
}

/** Writes a field of the master record, as its form would. */
async function writeField(db: ClientDb, { place: { id }, field }: EntryChange, text: string): Promise<void> {
  const { listing, ...record } = await placeById(db, id)
  try {
    const place = placeSchema.validateSync({
      ...withText(record, field as EntryField, text),
      listing: listing?.id ?? null,
    })
    await changePlace(db, id, place)
  } catch (error) {
    if (error instanceof ValidationError)
      throw badRequest(`The master record cannot take “${text}”: ${error.message} Change the record by hand.`)
    throw error
  }
}
