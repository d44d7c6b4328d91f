import mysql, { type Pool } from 'mysql2/promise'

let pool: Pool | undefined

/**
 * The pool of connections to the database of this process.
 *
 * @throws Error when ZAFFER_DATABASE_URL is not set
 */
export function database(): Pool {
  pool ??= connect(process.env.ZAFFER_DATABASE_URL)
  return pool
}

/** A pool of its own: days as text, sums as numbers, times in UTC. */
export function connect(url: string | undefined, connections = 10, multipleStatements = false): Pool {
  if (!url) throw new Error('ZAFFER_DATABASE_URL is not set: start the application with npm start')
  return mysql.createPool({
    uri: url,
    connectionLimit: connections,
    timezone: 'Z',
    dateStrings: ['DATE'],
    decimalNumbers: true,
    charset: 'utf8mb4',
    multipleStatements,
    enableKeepAlive: true,
  })
}

/** Closes the pool, so that the process can end. */
export async function closeDatabase(): Promise<void> {
  await pool?.end()
  pool = undefined
}
