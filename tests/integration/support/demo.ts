import { inject } from 'vitest'
import type { Pool, RowDataPacket } from 'mysql2/promise'
import { loadDemo } from '../../../demo/load'
import { migrate } from '../../../server/platform/database/migrate'
import { connect, database } from '../../../server/platform/database/pool'
import { DEMO } from './testServer'

/** Of the demo people. */
export const PASSWORD = 'a password for the tests'
/** The last complete day of the demo. */
const ANCHOR = '2026-10-28'

/** Puts the demo into the database of a test file: it is loaded once, and copied row by row to each. */
export async function addDemo(): Promise<void> {
  const server = connect(`${inject('databaseServer')}/`, 1, true)
  try {
    await server.query("SELECT GET_LOCK('demo', 600)")
    try {
      if (!(await isLoaded(server))) await load(server)
    } finally {
      await server.query("SELECT RELEASE_LOCK('demo')")
    }
    const [[{ name } = { name: '' }]] =
      await database().query<(RowDataPacket & { name: string })[]>('SELECT DATABASE() AS name')
    await copy(server, name)
  } finally {
    await server.end()
  }
}

/** The lock outlives a process that ends while it loads: only what was loaded to its end is copied. */
async function isLoaded(server: Pool): Promise<boolean> {
  const [rows] = await server.query<RowDataPacket[]>(
    "SELECT 1 FROM information_schema.tables WHERE table_schema = ? AND table_name = 'all_is_loaded'",
    [DEMO],
  )
  return rows.length > 0
}

async function load(server: Pool): Promise<void> {
  await server.query(`DROP DATABASE IF EXISTS ${DEMO}; CREATE DATABASE ${DEMO} CHARACTER SET utf8mb4`)
  const url = `${inject('databaseServer')}/${DEMO}`
  await migrate(url)
  const pool = connect(url)
  try {
    await loadDemo(pool, ANCHOR, PASSWORD, () => '{}')
    await pool.query('CREATE TABLE all_is_loaded (is_loaded TINYINT)')
  } finally {
    await pool.end()
  }
}

async function copy(server: Pool, name: string): Promise<void> {
  const [tables] = await server.query<(RowDataPacket & { name: string; columns: string })[]>(
    `SELECT table_name AS name, GROUP_CONCAT(column_name ORDER BY ordinal_position) AS columns
      FROM information_schema.columns
      WHERE table_schema = ? AND extra NOT LIKE '%GENERATED%' AND table_name NOT LIKE 'schema%'
        AND table_name <> 'all_is_loaded'
      GROUP BY table_name`,
    [DEMO],
  )
  await server.query('SET foreign_key_checks = 0, unique_checks = 0')
  for (const { name: table, columns } of tables) {
    await server.query(
      `DELETE FROM ${name}.${table}; INSERT INTO ${name}.${table} (${columns}) SELECT ${columns} FROM ${DEMO}.${table}`,
    )
  }
}
