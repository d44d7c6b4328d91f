import { mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import type { Pool } from 'mysql2/promise'
import { FACT_COLUMNS } from '../core/metrics/storedFigures'
import { closeDatabase, connect, database } from '../server/platform/database/pool'
import type { Query } from '../server/platform/database/sql'
import { migrate } from '../server/platform/database/migrate'
import { clientDbForJob, type ClientDb } from '../server/platform/database/clientDb'
import { startDatabase } from '../tools/steps/database.mjs'
import { logFile, openSecrets } from '../tools/steps/data.mjs'
import { Processes } from '../tools/steps/processes.mjs'
import { largeWorld } from './world'

/** A MariaDB of its own for the measurements, as the start command makes it. */
export async function withDatabase(work: (pool: Pool) => Promise<void>): Promise<void> {
  const data = fileURLToPath(new URL('../.test-data/bench', import.meta.url))
  mkdirSync(`${data}/logs`, { recursive: true })
  const processes = new Processes(`${data}/processes.json`, () => {})
  await processes.clearUp()
  const url: string = await startDatabase({ data, secrets: openSecrets(data), processes, log: logFile(data) })
  const server = connect(url, 1, true)
  await server.query('DROP DATABASE IF EXISTS zaffer_bench; CREATE DATABASE zaffer_bench CHARACTER SET utf8mb4')
  await server.end()
  process.env.ZAFFER_DATABASE_URL = url.replace(/zaffer$/, 'zaffer_bench')
  process.env.ZAFFER_NOW = '2026-10-29T06:00:00Z'
  try {
    await migrate(process.env.ZAFFER_DATABASE_URL)
    await work(database())
  } finally {
    await closeDatabase()
    await processes.endAll()
  }
}

/** A client with many profiles and a long past. */
export async function largeClient(
  pool: Pool,
  slug: string,
  profiles: number,
  days: number,
  end: string,
  ofAgency?: number,
): Promise<ClientDb> {
  const agency =
    ofAgency ?? ((await pool.query('INSERT INTO agency (name) VALUES (?)', [slug]))[0] as { insertId: number }).insertId
  const [added] = await pool.query(
    'INSERT INTO client (agency_id, slug, name, time_zone, universe) VALUES (?, ?, ?, ?, 5000000)',
    [agency, slug, slug, 'Europe/London'],
  )
  const db = await clientDbForJob((added as { insertId: number }).insertId)
  await db.insertRows(
    'profile',
    ['network', 'handle', 'name', 'remote_id', 'consent'],
    Array.from({ length: profiles }, (_, index) => [
      index % 2 ? 'commons' : 'tintype',
      `@p${index}`,
      `Profile ${index}`,
      String(10_000_000_000_000_000n + BigInt(index)),
      'given',
    ]),
  )
  const [rows] = await pool.query('SELECT MIN(profile_id) AS first FROM profile WHERE client_id = ?', [db.clientId])
  const first = (rows as { first: number }[])[0]!.first
  let batch: unknown[][] = []
  const flush = async () => {
    await db.insertRows('profile_day', ['profile_id', 'day', ...FACT_COLUMNS], batch)
    batch = []
  }
  for (const row of largeWorld(profiles, days, end)) {
    batch.push([first + row.profile - 1, row.day, ...FACT_COLUMNS.map((column) => row[column])])
    if (batch.length >= 5000) await flush()
  }
  await flush()
  return db
}

/** A handle that notes the queries that it runs. */
export function noting(db: ClientDb, queries: Query<true>[]): ClientDb {
  const rows = <T>(query: Query<true>) => (queries.push(query), db.rows<T>(query))
  return { ...db, rows, one: async <T>(query: Query<true>) => (await rows<T>(query))[0] }
}
