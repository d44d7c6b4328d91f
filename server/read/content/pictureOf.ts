import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** The picture of a post as it was kept; undefined where it has none. */
export const pictureOf = (db: ClientDb, profile: number, id: string) =>
  db.one<{ type: string; bytes: Buffer }>(sql`
    SELECT type, bytes
    FROM   post_picture
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profile}
    AND    remote_id = ${id}`)
