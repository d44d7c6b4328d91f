import { entryComparer } from '../../../core/directories/compareEntry'
import { directoryById, LISTINGS } from '../../../core/directories/directoryList'
import { dayAt } from '../../../core/days/lastCompleteDay'
import type { EntryQuery } from '../../../shared/read/directories'
import type { Place } from '../../../shared/read/places'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { placesOf } from '../places/places'
import { correctionKey, keepAnswer, type AskDirectory } from './correctionAnswers'
import { correctionsOf, entriesOf, keyOf, newestOf } from './entryRows'
import { keepRequestAnswer, keyOfRequest, requestsOf } from './entryRequests'
import { ENTRIES_POLL } from './jobs'
import { keepFound, type Look } from './keepEntries'

/** How many places, and how many corrections, are asked for at once. */
const TOGETHER = 50

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
    listings: await listingIds(db),
  }
  for (let from = 0; from < places.length; from += TOGETHER) {
    const some = places.slice(from, from + TOGETHER)
    const found = await ask.find(
      directory.id,
      some.map((place) => queryFor(place, look)),
    )
    await step(
      (inside) => keepFound(inside, look, some, found.flat()),
      () => ({
        done: from + some.length,
        total: places.length,
        message: `${directory.name}: ${from + some.length} of ${places.length} places`,
      }),
    )
  }
  await finish((inside) => notePoll(inside, directory.id), `${directory.name} was looked at.`)
}

/** Asks how those corrections and requests stand that a directory has not decided yet. */
async function takeAnswers(
  { db, step }: Pick<JobContext, 'db' | 'step'>,
  directory: string,
  ask: AskDirectory,
): Promise<void> {
  const corrections = await correctionsOf(db, { directory, state: 'sent' })
  const requests = await requestsOf(db, { directory, state: 'sent' })
  const sent = [
    ...corrections.map((each) => ({ ...each, key: correctionKey(db, each.id), keep: keepAnswer })),
    ...requests.map((each) => ({ ...each, key: keyOfRequest(db, each.id), keep: keepRequestAnswer })),
  ]
  for (let from = 0; from < sent.length; from += TOGETHER) {
    const some = sent.slice(from, from + TOGETHER)
    const answers = await ask.standing(
      directory,
      some.map(({ key }) => key),
    )
    await step(async (inside) => {
      for (const [index, { id, state, reason, keep }] of some.entries()) {
        const answer = answers[index]!
        if (answer.state !== state || answer.reason !== reason) await keep(inside, id, answer)
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

function queryFor(place: Place, { known, directory, listings }: Look): EntryQuery {
  const { name, lat, lon, phone, id } = place
  const ids = [...known.values()].filter((entry) => entry.place === id).map(({ remoteId }) => remoteId)
  const listing = directory.id === LISTINGS ? listings.get(place.listing?.id ?? 0) : undefined
  return { name, lat, lon, phone, ids: [...new Set([...ids, ...(listing ? [listing] : [])])] }
}

/** Notes that a directory was looked at, or why that did not work. */
export async function notePoll(db: ClientDb, directory: string, problem = ''): Promise<void> {
  await db.run(sql`
    INSERT INTO directory_poll (client_id, directory, polled_at, problem)
    VALUES (${db.client}, ${directory}, ${problem === '' ? new Date(now()) : null}, ${problem.slice(0, 400)})
    ON DUPLICATE KEY UPDATE polled_at = COALESCE(VALUES(polled_at), polled_at), problem = VALUES(problem)`)
}

/** The job that looks, by how directories are asked. */
export const pollEntriesJob = (ask: AskDirectory) =>
  jobModule(
    ENTRIES_POLL,
    (context) => pollEntries(context, ask),
    (db, subject) => notePoll(db, subject, 'It could not be looked at. It is tried again with the next look.'),
  )
