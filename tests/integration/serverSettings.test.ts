import { join } from 'node:path'
import { createConnection } from 'mysql2/promise'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import { migrate } from '../../server/platform/database/migrate'
import { openSecrets } from '../../tools/steps/data.mjs'
import { rowsOf } from './support/database'
import { FOLDER } from './support/testServer'

/** What a whole server goes by, as somebody may have set it for what else runs on it. */
const OTHERS = {
  time_zone: '+09:00',
  sql_mode: 'ANSI_QUOTES,NO_BACKSLASH_ESCAPES',
  default_storage_engine: 'MyISAM',
  tx_isolation: 'READ-UNCOMMITTED',
}
const server = `${inject('databaseServer')}/`
const url = `${server}zaffer_own`

const settings = async () =>
  (
    await rowsOf(
      server,
      `SELECT ${Object.keys(OTHERS)
        .map((name) => `@@GLOBAL.${name} AS ${name}`)
        .join(', ')}`,
    )
  )[0]!
/** Only the server's root may. */
async function set(values: Record<string, unknown>): Promise<void> {
  const { databaseRoot: password } = openSecrets(FOLDER) as { databaseRoot: string }
  const connection = await createConnection({ socketPath: join(FOLDER, 'mariadb.sock'), user: 'root', password })
  for (const [name, value] of Object.entries(values)) await connection.query(`SET GLOBAL ${name} = ?`, [value])
  await connection.end()
}

let before: Record<string, unknown> = {}
beforeAll(async () => {
  before = await settings()
  await rowsOf(
    server,
    'DROP DATABASE IF EXISTS zaffer_own; CREATE DATABASE zaffer_own CHARACTER SET latin1 COLLATE latin1_swedish_ci',
  )
  await set(OTHERS)
})
afterAll(() => set(before))

it('a database of another charset, on a server of another engine, zone and mode, is used as ours would be', async () => {
  expect(await settings()).toEqual(OTHERS)
  await migrate(url)
  expect(
    await rowsOf(
      url,
      'SELECT DISTINCT ENGINE AS engine, TABLE_COLLATION AS collation FROM information_schema.TABLES WHERE ' +
        "TABLE_SCHEMA = 'zaffer_own' AND TABLE_NAME <> 'schema_version'",
    ),
  ).toEqual([{ engine: 'InnoDB', collation: 'utf8mb4_unicode_ci' }])
  await rowsOf(
    url,
    `INSERT INTO agency (name) VALUES ('Agency');
     INSERT INTO client (agency_id, slug, name, time_zone) VALUES (1, 'a', 'Café A', 'Europe/London');
     INSERT INTO person (agency_id, email, name, role, password_hash) VALUES (1, 'a@b.example', 'Zoë', 'analyst', 'x');
     INSERT INTO note (client_id, from_day, to_day, title) VALUES (1, '2026-10-01', '2026-10-01', '雨')`,
  )
  expect(await rowsOf(url, 'SELECT name FROM person')).toEqual([{ name: 'Zoë' }])
  const [{ wrote }] = (await rowsOf(url, 'SELECT written_at AS wrote FROM note')) as [{ wrote: Date }]
  expect(Math.abs(wrote.getTime() - Date.now())).toBeLessThan(60_000)
  // nothing is cut or bent to fit
  const note = (from: string, title: string) =>
    rowsOf(url, `INSERT INTO note (client_id, from_day, to_day, title) VALUES (1, '${from}', '2026-10-01', '${title}')`)
  await expect(note('2026-10-01', 'x'.repeat(121))).rejects.toThrow('too long')
  await expect(note('2026-00-10', 'x')).rejects.toThrow('Incorrect date')
  expect(await rowsOf(url, 'SELECT @@tx_isolation AS isolation')).toEqual([{ isolation: 'REPEATABLE-READ' }])
})
