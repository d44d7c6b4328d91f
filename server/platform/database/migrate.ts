import { randomUUID } from 'node:crypto'
import { setTimeout as pause } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import type { Pool, ResultSetHeader } from 'mysql2/promise'
import Postgrator from 'postgrator'
import { connect } from './pool'

/**
 * How long one process has the right to change the tables without a sign of life, and how long another waits for it.
 */
const CLAIM_SECONDS = 30
const LONGEST_WAIT_MS = 300_000

/**
 * Brings the database to the newest version with the plain SQL files beside this one. A version is applied once;
 * running it again does nothing. Every file can be run again after it was broken off half-way, and two processes do not
 * run them at once.
 *
 * @param to  the version to stop at; the newest when it is left out
 * @returns   how many versions were applied
 */
export async function migrate(url: string, to?: string): Promise<number> {
  const pool = connect(url, 2, true)
  try {
    return await alone(pool, async () => {
      const postgrator = new Postgrator({
        migrationPattern: fileURLToPath(new URL('./migrations/*.sql', import.meta.url)),
        driver: 'mysql',
        database: new URL(url).pathname.slice(1),
        schemaTable: 'schema_version',
        // files that were applied once have since learned to be run again; what they do is the same
        validateChecksums: false,
        execQuery: async (query) => {
          const [rows] = await pool.query(query)
          return { rows: rows as unknown[] }
        },
      })
      return (await postgrator.migrate(to)).length
    })
  } finally {
    await pool.end()
  }
}

/**
 * Lets one process at a time change the tables: a claim in a row, which a cluster shares, with an end should its holder
 * die.
 */
async function alone<T>(pool: Pool, work: () => Promise<T>): Promise<T> {
  const holder = randomUUID()
  await pool.query(`
    CREATE TABLE IF NOT EXISTS schema_claim (
      claim_id   TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      holder     CHAR(36)         CHARACTER SET ascii NULL,
      held_until TIMESTAMP(3)     NULL
    ) ENGINE = InnoDB DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci`)
  await pool.query('INSERT IGNORE INTO schema_claim (claim_id) VALUES (1)')
  const hold = async (): Promise<boolean> => {
    const [{ affectedRows }] = await pool.query<ResultSetHeader>(
      `
      UPDATE schema_claim
      SET    holder = ?, held_until = NOW(3) + INTERVAL ? SECOND
      WHERE  claim_id = 1
      AND    (holder IS NULL OR holder = ? OR held_until < NOW(3))`,
      [holder, CLAIM_SECONDS, holder],
    )
    return affectedRows === 1
  }
  const end = Date.now() + LONGEST_WAIT_MS
  while (!(await hold())) {
    if (Date.now() > end) throw new Error('another process has been changing the tables for five minutes')
    await pause(200)
  }
  const renewal = setInterval(() => void hold().catch(() => undefined), (CLAIM_SECONDS * 1000) / 3)
  try {
    return await work()
  } finally {
    clearInterval(renewal)
    await pool.query('UPDATE schema_claim SET holder = NULL, held_until = NULL WHERE claim_id = 1 AND holder = ?', [
      holder,
    ])
  }
}
