import { AsyncLocalStorage } from 'node:async_hooks'
import type { PoolConnection } from 'mysql2/promise'

/** Which tables the work that is going on has read, where somebody wants to know. */
const reading = new AsyncLocalStorage<Set<string>>()

const READS = /\b(?:FROM|JOIN)\s+([a-z_]+)/gi
const WRITES = /^\s*(?:(?:INSERT(?:\s+IGNORE)?|REPLACE)\s+INTO|UPDATE|DELETE(?:\s+[a-z_]+)?\s+FROM)\s+([a-z_]+)/i
const JOINED = /\bJOIN\s+([a-z_]+)/gi

/**
 * The tables that a statement writes; of one that joins tables, all of them.
 *
 * @throws  Error where it cannot be told: what it changes would go unseen
 * @example tablesWritten('UPDATE note SET title = ?') // ['note']
 */
export function tablesWritten(text: string): string[] {
  const table = WRITES.exec(text)?.[1]
  if (!table) throw new Error(`which table is written cannot be told: ${text.slice(0, 80)}`)
  const joined = /^\s*(?:UPDATE|DELETE)/i.test(text) ? text.split(/\b(?:SET|WHERE)\b/i)[0]! : ''
  return [table, ...[...joined.matchAll(JOINED)].map(([, other]) => other!)]
}

/** Says that tables were read, by what follows from a question to the database or from what is kept of one. */
export function readsTables(...tables: readonly string[]): void {
  const read = reading.getStore()
  if (read) for (const table of tables) read.add(table)
}

/** Says which tables a question reads; names within it that are no tables do no harm. */
export function readsText(text: string): void {
  if (reading.getStore()) readsTables(...[...text.matchAll(READS)].map(([, table]) => table!.toLowerCase()))
}

/** Whether somebody wants to know what the work that is going on reads. */
export const isRead = (): boolean => reading.getStore() !== undefined

/** Does some work, and says what it has read. */
export async function withReads<T>(work: () => Promise<T>): Promise<{ result: T; tables: ReadonlySet<string> }> {
  const tables = new Set<string>()
  return { result: await reading.run(tables, work), tables }
}

/** Counts up the versions of the tables that were written for a client, in an order that is always the same. */
export async function countWrites(
  connection: Pick<PoolConnection, 'query'>,
  clientId: number,
  tables: ReadonlySet<string>,
): Promise<void> {
  if (tables.size === 0) return
  await connection.query(
    'INSERT INTO client_version (client_id, topic) VALUES ? ON DUPLICATE KEY UPDATE version = version + 1',
    [[...tables].sort().map((table) => [clientId, table])],
  )
}
