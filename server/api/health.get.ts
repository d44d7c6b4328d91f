import type { Pool, RowDataPacket } from 'mysql2/promise'
import { connect } from '../platform/database/pool'
import { route } from '../platform/http/route'

let own: Pool | undefined

/**
 * Answers 200 once the database is there and has been migrated. It has a connection of its own: it answers also when
 * all others are in use.
 */
export default route(async () => {
  own ??= connect(process.env.ZAFFER_DATABASE_URL, 1)
  const [rows] = await own.query<({ version: number } & RowDataPacket)[]>(
    'SELECT MAX(version) AS version FROM schema_version',
  )
  return { ok: true, schema: rows[0]!.version }
})
