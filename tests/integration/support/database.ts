import type { Pool, RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, inject } from 'vitest'
import { FACT_COLUMNS } from '../../../core/metrics/storedFigures'
import type { ProfileDay } from '../../../core/rollup/factTable'
import { clientDbForJob, type ClientDb } from '../../../server/platform/database/clientDb'
import { migrate } from '../../../server/platform/database/migrate'
import { closeDatabase, connect, database } from '../../../server/platform/database/pool'
import { runNextJob } from '../../../server/jobs'

process.env.ZAFFER_SECRET = 'a secret that is only for the tests, and long enough'
process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'

/** The database of a test file: new, migrated, and gone with the next run. */
export function useDatabase(name: string): { url: () => string; pool: () => Pool } {
  let url = ''
  beforeAll(async () => {
    const server = connect(`${inject('databaseServer')}/`, 1, true)
    await server.query(`DROP DATABASE IF EXISTS zaffer_${name}; CREATE DATABASE zaffer_${name} CHARACTER SET utf8mb4`)
    await server.end()
    url = `${inject('databaseServer')}/zaffer_${name}`
    await migrate(url)
    process.env.ZAFFER_DATABASE_URL = url
  })
  afterAll(closeDatabase)
  return { url: () => url, pool: database }
}

const insert = async (text: string, values: unknown[]): Promise<number> =>
  ((await database().query(text, values))[0] as { insertId: number }).insertId

/** A client with an agency of its own. */
export async function addClient(slug: string, universe: number | null = null): Promise<ClientDb> {
  const agency = await insert('INSERT INTO agency (name) VALUES (?)', [`Agency of ${slug}`])
  return await clientDbForJob(
    await insert('INSERT INTO client (agency_id, slug, name, time_zone, universe) VALUES (?, ?, ?, ?, ?)', [
      agency,
      slug,
      slug,
      'Europe/London',
      universe,
    ]),
  )
}

/** A profile of a client. */
export async function addProfile(
  db: ClientDb,
  network: string,
  remoteId: string,
  tokens: Buffer | null = null,
): Promise<number> {
  const id = await insert(
    'INSERT INTO profile (client_id, network, handle, name, remote_id, consent) VALUES (?, ?, ?, ?, ?, ?)',
    [db.clientId, network, `@p${remoteId}`, `Profile ${remoteId}`, remoteId, tokens ? 'given' : 'none'],
  )
  await insert('INSERT INTO connection (client_id, connector, profile_id, credentials) VALUES (?, ?, ?, ?)', [
    db.clientId,
    network,
    id,
    tokens,
  ])
  return id
}

/** Writes days as they are. */
export const addDaysOf = (db: ClientDb, rows: readonly ProfileDay[]) =>
  db.insertRows(
    'profile_day',
    ['profile_id', 'day', ...FACT_COLUMNS],
    rows.map((row) => [row.profile, row.day, ...FACT_COLUMNS.map((column) => row[column] ?? null)]),
  )

/** What a database answers that is asked once, or told several things. */
export async function rowsOf(url: string, text: string): Promise<Record<string, unknown>[]> {
  const pool = connect(url, 1, true)
  try {
    return (await pool.query<RowDataPacket[]>(text))[0].map((row) => ({ ...row }))
  } finally {
    await pool.end()
  }
}

/** Everything that is stored of a table, in a fixed order, to be compared. */
export async function tableOf(table: string, columns = '*'): Promise<unknown[]> {
  const [rows] = await database().query(`SELECT ${columns} FROM ${table} ORDER BY 1, 2, 3`)
  return (rows as Record<string, unknown>[]).map((row) => ({ ...row }))
}

/** Works on jobs until none is left. */
export async function runJobs(): Promise<void> {
  while (await runNextJob());
}
