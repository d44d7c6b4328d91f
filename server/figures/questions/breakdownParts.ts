import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

/** How many letters of a part's name are kept. */
const LONGEST_PART = 80

/**
 * The ids under which the names of parts are kept, once for a client; names that are new get theirs.
 *
 * @returns what gives the id of each of the names
 */
export async function partIds(db: ClientDb, names: readonly string[]): Promise<(name: string) => number> {
  const wanted = [...new Set(names.map(kept))]
  const known = await idsOf(db, wanted)
  const fresh = wanted.filter((name) => !known.has(name)).sort()
  if (fresh.length > 0) {
    // somebody else can have written the same name meanwhile: then it is theirs
    await db.insertRows(
      'breakdown_part',
      ['part'],
      fresh.map((name) => [name]),
      ['part'],
    )
    for (const [name, id] of await idsOf(db, fresh, true)) known.set(name, id)
  }
  return (name) => known.get(kept(name))!
}

/** The ids of those names of parts that are kept already. */
export async function knownPartIds(
  db: ClientDb,
  names: readonly string[],
): Promise<(name: string) => number | undefined> {
  const known = await idsOf(db, [...new Set(names.map(kept))])
  return (name) => known.get(kept(name))
}

const kept = (name: string): string => [...name.trim()].slice(0, LONGEST_PART).join('')

/** Also those that somebody else has just written, where they are locked. */
async function idsOf(db: ClientDb, names: readonly string[], isLocked = false): Promise<Map<string, number>> {
  const rows = await db.rows<{ part: string; id: number }>(sql`
    SELECT part, part_id AS id FROM breakdown_part WHERE client_id = ${db.client} AND part IN (${names})
    ${raw(isLocked ? 'LOCK IN SHARE MODE' : '')}`)
  return new Map(rows.map(({ part, id }) => [part, id]))
}
