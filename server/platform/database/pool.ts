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

/**
 * What every connection sets for itself, whatever the server is set to: times in UTC, no value that is silently cut or
 * changed, transactions that read one state, and what a table is when it does not say.
 */
const SESSION = `SET SESSION time_zone = '+00:00',
  sql_mode = 'STRICT_TRANS_TABLES,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION,NO_ZERO_DATE,NO_ZERO_IN_DATE',
  default_storage_engine = 'InnoDB', character_set_client = 'utf8mb4', character_set_results = 'utf8mb4',
  character_set_connection = 'utf8mb4', collation_connection = 'utf8mb4_unicode_ci', tx_isolation = 'REPEATABLE-READ',
  autocommit = 1, foreign_key_checks = 1, unique_checks = 1, group_concat_max_len = 1048576,
  explicit_defaults_for_timestamp = 1, lock_wait_timeout = 60, innodb_lock_wait_timeout = 30`

/** A pool of its own: days as text, sums as numbers, times in UTC. */
export function connect(url: string | undefined, connections = 10, multipleStatements = false): Pool {
  if (!url) throw new Error('ZAFFER_DATABASE_URL is not set: start the application with npm start')
  const made = mysql.createPool({
    uri: url,
    connectionLimit: connections,
    timezone: 'Z',
    dateStrings: ['DATE'],
    decimalNumbers: true,
    charset: 'utf8mb4',
    multipleStatements,
    enableKeepAlive: true,
    // nothing is prepared, and room for 16,000 statements would be made for each connection
    maxPreparedStatements: 1,
  })
  // what a connection is asked first is answered first: nothing runs before this
  made.pool.on('connection', (connection) => {
    connection.query(SESSION, (error: Error | null) => {
      if (error) connection.destroy()
    })
  })
  return made
}

/** Closes the pool, so that the process can end. */
export async function closeDatabase(): Promise<void> {
  await pool?.end()
  pool = undefined
}
