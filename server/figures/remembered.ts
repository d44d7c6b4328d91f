import PQueue from 'p-queue'
import { asOfNow, type ClientDb } from '../platform/database/clientDb'
import { sql } from '../platform/database/sql'
import { isRead, readsTables, withReads } from '../platform/database/versions'

/** The client of what belongs to none: the networks' own volumes. */
export const VOLUMES = 0

/** How much text is remembered by one process, in characters; the longest unused goes first. */
const ROOM = 32_000_000

/**
 * How many are worked out at the same time: each holds a connection for as long as it takes, and others have to find one
 * meanwhile.
 */
const atOnce = new PQueue({ concurrency: 4 })

/** How often each table of a client was written. */
type Versions = ReadonlyMap<string, string>

interface Answer {
  text: string
  /** The tables that it was worked out from. */
  tables: ReadonlySet<string>
  /** How often those had been written at the moment of which it speaks. */
  versions: Versions
}

const answers = new Map<string, Answer>()
/** What is being worked out at this moment: whoever asks the same waits for the same. */
const underWay = new Map<string, Promise<Answer>>()
let used = 0

/**
 * An answer as JSON, worked out again only when something that it was worked out from was written since: every
 * transaction counts up the versions of the tables that it writes, in whichever process it runs. What an answer was
 * worked out from is seen, not said: it is what it has read. All that belongs to the client is read as it was at one
 * moment, and so are the versions: no answer speaks of two moments.
 *
 * @param key     everything that the answer depends on beside the data: its kind, the scope, the last complete day
 * @param answer  works it out from what the database had at that moment
 */
export async function remembered(
  db: ClientDb,
  key: string,
  answer: (db: ClientDb) => Promise<unknown>,
): Promise<string> {
  const place = `${db.clientId} ${onlyOf(db)} ${key}`
  const versions = await versionsOf(db)
  const known = answers.get(place)
  if (known && isTrue(known, versions)) {
    answers.delete(place)
    answers.set(place, known)
    readsTables(...known.tables)
    return known.text
  }
  // where nobody asks the same, the work begins at once: a pause here would let others begin it too
  const others = underWay.has(place) ? await askedByOthers(place, versions) : undefined
  const found = others ?? (await workOut(db, place, answer))
  readsTables(...found.tables)
  return found.text
}

/** Of which places and listings alone an answer speaks. */
const onlyOf = ({ only }: ClientDb): string =>
  only ? [only.places, only.listings].map((ids) => [...ids].sort((a, b) => a - b).join(',')).join(' | ') : ''

/** What somebody else has just asked, where it is still true for whoever asks now; one that fails, fails for all. */
async function askedByOthers(place: string, versions: Versions): Promise<Answer | undefined> {
  for (let going = underWay.get(place); going; going = underWay.get(place)) {
    const found = await going
    if (isTrue(found, versions)) return found
  }
  return undefined
}

/** Whether nothing that an answer was worked out from was written since. */
const isTrue = ({ tables, versions }: Answer, now: Versions): boolean =>
  [...tables].every((table) => versions.get(table) === now.get(table))

function workOut(db: ClientDb, place: string, answer: (db: ClientDb) => Promise<unknown>): Promise<Answer> {
  const begin = () =>
    asOfNow(db, async (then) => {
      const versions = await versionsOf(then)
      const { result, tables } = await withReads(() => answer(then))
      const found = { text: JSON.stringify(result), tables, versions }
      keep(place, found)
      return found
    })
  // an answer that asks for another one has its turn already: both would wait for each other
  const work = isRead() ? begin() : atOnce.add(begin, { throwOnTimeout: true })
  const ended = work.finally(() => underWay.get(place) === ended && underWay.delete(place))
  underWay.set(place, ended)
  return ended
}

function keep(place: string, entry: Answer): void {
  used += entry.text.length - (answers.get(place)?.text.length ?? 0)
  answers.delete(place)
  answers.set(place, entry)
  for (const [oldest, { text }] of answers) {
    if (used <= ROOM) break
    answers.delete(oldest)
    used -= text.length
  }
}

/** How often each table of a client was written, and what belongs to no client: by whichever process. */
export async function versionsOf(db: ClientDb): Promise<Versions> {
  const rows = await db.rows<{ client_id: number; topic: string; version: number }>(sql`
    SELECT client_id, topic, version FROM client_version WHERE client_id IN (${VOLUMES}, ${db.client})
    ORDER BY client_id`)
  const versions = new Map<string, string>()
  for (const { client_id: id, topic, version } of rows)
    versions.set(topic, `${versions.get(topic) ?? ''} ${id}:${version}`)
  return versions
}

/** The versions of some tables, as one text that changes when any of them is written. */
export const versionOf = async (db: ClientDb, tables: readonly string[]): Promise<string> => {
  const versions = await versionsOf(db)
  return tables.map((table) => `${table} ${versions.get(table) ?? ''}`).join(', ')
}
