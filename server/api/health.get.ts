import { route } from '../http/route'
import { sql } from '../db/sql'
import { systemDb } from '../db/systemDb'

/** Answers 200 once the database is there and has been migrated. */
export default route(async () => {
  const { version } = (await systemDb.one<{ version: number }>(sql`SELECT MAX(version) AS version FROM schema_version`))!
  return { ok: true, schema: version }
})
