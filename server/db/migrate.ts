import Postgrator from 'postgrator'
import { fileURLToPath } from 'node:url'
import { connect } from './pool'

/**
 * Brings the database to the newest version with the plain SQL files beside this one. A version is applied once; running it again does nothing.
 *
 * @returns how many versions were applied
 */
export async function migrate(url: string): Promise<number> {
  const pool = connect(url, 1, true)
  try {
    const postgrator = new Postgrator({
      migrationPattern: fileURLToPath(new URL('./migrations/*.sql', import.meta.url)),
      driver: 'mysql',
      database: new URL(url).pathname.slice(1),
      schemaTable: 'schema_version',
      execQuery: async (query) => {
        const [rows] = await pool.query(query)
        return { rows: rows as unknown[] }
      },
    })
    return (await postgrator.migrate()).length
  } finally {
    await pool.end()
  }
}
