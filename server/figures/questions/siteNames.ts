import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** The sites of a client by name. */
export const siteNames = (db: ClientDb): Promise<{ id: number; name: string; address: string }[]> =>
  db.rows(sql`
    SELECT   site_id AS id, name, address
    FROM     site
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY name, site_id`)
