import { DATASETS } from '../../../core/datasets/datasets'
import type { KeptDataset } from '../../../shared/gather/data'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

/** What is kept of a client's data, dataset by dataset: how much, of how many profiles, and over which days. */
export const whatIsKept = (db: ClientDb): Promise<KeptDataset[]> =>
  Promise.all(
    DATASETS.map(async ({ id, name, grain, day, sources, keptDays, keys }) => {
      const kept = await db.one<Pick<KeptDataset, 'rows' | 'profiles' | 'from' | 'to'>>(sql`
        SELECT COUNT(*) AS \`rows\`, COUNT(DISTINCT ${raw(keys[0]!.column)}) AS profiles, DATE(MIN(${raw(day)})) AS \`from\`,
               DATE(MAX(${raw(day)})) AS \`to\`
        FROM   ${raw(id)}
        WHERE  client_id = ${db.client}`)
      return { id, name, grain, sources, keptDays: keptDays ?? null, ...kept! }
    }),
  )
