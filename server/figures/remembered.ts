import type { ClientDb } from '../platform/database/clientDb'
import { sql } from '../platform/database/sql'

/** The version of what belongs to no client: the networks' own volumes. */
export const VOLUMES = 0

/** How much text is remembered by one process, in characters; the longest unused goes first. */
const ROOM = 32_000_000

const answers = new Map<string, { version: string; text: string }>()
/** What is being worked out at this moment: whoever asks the same waits for the same. */
const underWay = new Map<string, Promise<string>>()
let used = 0

/**
 * An answer as JSON, worked out again only when something of its client was written since: every transaction that
 * writes counts the client's version up, in whichever process it runs.
 *
 * @param key  everything that the answer depends on beside the data: its kind, the scope, the last complete day
 */
export async function remembered(db: ClientDb, key: string, answer: () => Promise<unknown>): Promise<string> {
  const place = `${db.clientId} ${key}`
  // the version is read first: what is written meanwhile makes the answer older than it need be, never newer than it
  // says
  const version = await versionOf(db)
  const known = answers.get(place)
  if (known?.version === version) {
    answers.delete(place)
    answers.set(place, known)
    return known.text
  }
  const question = `${version} ${place}`
  const asked =
    underWay.get(question) ??
    answer()
      .then((found) => {
        const text = JSON.stringify(found)
        keep(place, { version, text })
        return text
      })
      .finally(() => underWay.delete(question))
  underWay.set(question, asked)
  return await asked
}

function keep(place: string, entry: { version: string; text: string }): void {
  used += entry.text.length - (answers.get(place)?.text.length ?? 0)
  answers.delete(place)
  answers.set(place, entry)
  for (const [oldest, { text }] of answers) {
    if (used <= ROOM) break
    answers.delete(oldest)
    used -= text.length
  }
}

/** The version of a client's data, and of what belongs to no client: it changes with every transaction that writes. */
export async function versionOf(db: ClientDb): Promise<string> {
  const rows = await db.rows<{ client_id: number; version: number }>(sql`
    SELECT client_id, version FROM client_version WHERE client_id IN (${VOLUMES}, ${db.client}) ORDER BY client_id`)
  return rows.map(({ client_id: id, version }) => `${id}:${version}`).join(' ')
}
