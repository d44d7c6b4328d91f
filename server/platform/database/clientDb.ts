import { setTimeout as pause } from 'node:timers/promises'
import type { Pool, PoolConnection, ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import { database } from './pool'
import { Query, raw, sql, ThisClient } from './sql'
import { countWrites, readsText, tablesWritten } from './versions'

/** The places of a client to which somebody is assigned, and the listings that stand for these. */
export interface OnlyPlaces {
  places: ReadonlySet<number>
  listings: ReadonlySet<number>
}

/** Runs queries that name their client. There is no other way to the data of a client. */
export interface ClientDb {
  /** The value that every query has to name. */
  readonly client: ThisClient
  readonly clientId: number
  readonly slug: string
  readonly name: string
  readonly timeZone: string
  readonly universe: number | undefined
  /** What alone is looked at, for somebody who is assigned to single places. */
  readonly only: OnlyPlaces | undefined
  rows: <T>(query: Query<true>) => Promise<T[]>
  one: <T>(query: Query<true>) => Promise<T | undefined>
  run: (query: Query<true>) => Promise<ResultSetHeader>
  /**
   * Inserts rows of this client; where a key exists already, the columns of `update` are written over, and what is in
   * those of `add` is added to what stands there.
   */
  insertRows: (
    table: string,
    columns: readonly string[],
    rows: readonly unknown[][],
    update?: readonly string[],
    add?: readonly string[],
  ) => Promise<void>
  /** All or nothing. Inside another transaction it is part of that one. */
  transaction: <T>(work: (db: ClientDb) => Promise<T>) => Promise<T>
}

/** A client as its row has it. */
export interface ClientRow {
  client_id: number
  slug: string
  name: string
  time_zone: string
  universe: number | null
  /** What its viewers may see beside the editions, as the database lists it: “figures,reports”. */
  released: string
  only?: OnlyPlaces
}

/** A handle on the data of one client, for a person who was found to have it or for a job that belongs to it. */
export function clientDb(
  row: ClientRow,
  runner: Pool | PoolConnection = database(),
  written: Set<string> = new Set(),
): ClientDb {
  const clientId = row.client_id
  const client = new ThisClient(clientId)
  const check = (query: Query<true>) => {
    // the types say so already; whoever went round them is stopped here
    if (!(query instanceof Query) || !query.bound || !query.values.includes(clientId))
      throw new Error('a query does not name its client')
  }
  const db: ClientDb = {
    client,
    clientId,
    slug: row.slug,
    name: row.name,
    timeZone: row.time_zone,
    universe: row.universe ?? undefined,
    only: row.only,
    async rows<T>(query: Query<true>) {
      check(query)
      readsText(query.text)
      const [rows] = await runner.query<RowDataPacket[]>(query.text, [...query.values])
      return rows as T[]
    },
    one: async <T>(query: Query<true>) => (await db.rows<T>(query))[0],
    async run(query) {
      check(query)
      if ('getConnection' in runner) return await db.transaction((inside) => inside.run(query))
      for (const table of tablesWritten(query.text)) written.add(table)
      return (await runner.query<ResultSetHeader>(query.text, [...query.values]))[0]
    },
    async insertRows(table, columns, rows, update = [], add = []) {
      if (rows.length === 0) return
      if ('getConnection' in runner)
        return await db.transaction((inside) => inside.insertRows(table, columns, rows, update, add))
      written.add(table)
      await runner.query(insertText(table, columns, update, add), [rows.map((values) => [clientId, ...values])])
    },
    transaction: (work) =>
      'getConnection' in runner ? inTransaction(runner, (connection) => counted(row, connection, work)) : work(db),
  }
  return db
}

/** A transaction that has written counts the versions of those tables up, as the last thing before it is committed. */
async function counted<T>(row: ClientRow, connection: PoolConnection, work: (db: ClientDb) => Promise<T>): Promise<T> {
  const written = new Set<string>()
  const result = await work(clientDb(row, connection, written))
  await countWrites(connection, row.client_id, written)
  return result
}

function insertText(
  table: string,
  columns: readonly string[],
  update: readonly string[],
  add: readonly string[],
): string {
  const names = raw(['client_id', ...columns].join(', ')).text
  const text = `INSERT INTO ${raw(table).text} (${names}) VALUES ?`
  const over = [
    ...update.map((column) => `${column} = VALUES(${column})`),
    ...add.map((column) => `${column} = ${column} + VALUES(${column})`),
  ]
  return over.length === 0 ? text : `${text} ON DUPLICATE KEY UPDATE ${raw(over.join(', ')).text}`
}

/**
 * What a database answers when two transactions stood in each other's way: a deadlock, or a cluster that could not
 * bring them together (also at the commit).
 */
const IN_THE_WAY = new Set([1213, 1180, 1205])
const isInTheWay = (error: unknown): boolean => IN_THE_WAY.has((error as { errno?: number }).errno ?? 0)

/** Runs work again that stood in another's way, after a moment. Whoever asks holds nothing meanwhile. */
export async function again<T>(work: () => Promise<T>, tries = 5): Promise<T> {
  for (let tried = 1; ; tried++) {
    try {
      return await work()
    } catch (error) {
      if (tried >= tries || !isInTheWay(error)) throw error
      await pause(tried * tried * 5 * (1 + Math.random()))
    }
  }
}

/**
 * Runs work on one connection in a transaction; an error takes everything back. What stood in another's way is tried
 * again, on a new connection.
 */
export const inTransaction = <T>(pool: Pool, work: (connection: PoolConnection) => Promise<T>): Promise<T> =>
  again(() => once(pool, work))

async function once<T>(pool: Pool, work: (connection: PoolConnection) => Promise<T>): Promise<T> {
  const connection = await pool.getConnection()
  try {
    await connection.beginTransaction()
    const result = await work(connection)
    await connection.commit()
    return result
  } catch (error) {
    await connection.rollback().catch(() => connection.destroy())
    throw error
  } finally {
    connection.release()
  }
}

/** The row that a handle was made from; what viewers may see is not asked of a handle. */
const rowOf = ({ clientId, slug, name, timeZone, universe, only }: ClientDb): ClientRow => ({
  client_id: clientId,
  slug,
  name,
  time_zone: timeZone,
  universe: universe ?? null,
  released: '',
  ...(only && { only }),
})

/** A handle of its own, for work that goes on when the moment or the transaction of another one is over. */
export const outside = (db: ClientDb): ClientDb => clientDb(rowOf(db))

/**
 * Reads everything as it was at one moment, without standing in anybody's way: what is written meanwhile is not seen.
 */
export async function asOfNow<T>(db: ClientDb, work: (db: ClientDb) => Promise<T>): Promise<T> {
  const connection = await database().getConnection()
  try {
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY')
    return await work(clientDb(rowOf(db), connection))
  } finally {
    await connection.query('COMMIT').catch(() => connection.destroy())
    connection.release()
  }
}

/** A handle for a job, by the client that the job belongs to. */
export async function clientDbForJob(clientId: number): Promise<ClientDb> {
  const { text, values } =
    sql`SELECT client_id, slug, name, time_zone, universe, released FROM client WHERE client_id = ${clientId}`
  const [rows] = await database().query<RowDataPacket[]>(text, [...values])
  if (!rows[0]) throw new Error(`there is no client ${clientId}`)
  return clientDb(rows[0] as ClientRow)
}
