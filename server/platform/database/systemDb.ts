import type { ResultSetHeader, RowDataPacket } from 'mysql2/promise'
import { again } from './clientDb'
import { database } from './pool'
import type { Query } from './sql'
import { readsText } from './versions'

/**
 * Queries that belong to no client: people, sign-in attempts, the queue of jobs, and the look-up of a secret link by
 * its hash. They never read the figures of a client.
 */
export const systemDb = {
  async rows<T>(query: Query<boolean>): Promise<T[]> {
    readsText(query.text)
    const [rows] = await database().query<RowDataPacket[]>(query.text, [...query.values])
    return rows as T[]
  },
  one: async <T>(query: Query<boolean>): Promise<T | undefined> => (await systemDb.rows<T>(query))[0],
  async run(query: Query<boolean>): Promise<ResultSetHeader> {
    return await again(async () => (await database().query<ResultSetHeader>(query.text, [...query.values]))[0])
  },
}
