import type { Day } from '../../../core/days/day'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { seal, unseal } from '../../platform/people/secrets'
import type { Connection, Tokens } from './connector'

/** How a profile is reached, and how far each of its streams has come. */
export interface ProfileConnection extends Connection {
  id: number
  cursors: Readonly<Record<string, Day>>
}

/** Makes the connection of a new profile; nothing has come through it yet. */
export const connectProfile = (db: ClientDb, profileId: number, connector: string) =>
  db.run(sql`
    INSERT INTO connection (client_id, connector, profile_id)
    VALUES (${db.client}, ${connector}, ${profileId})`)

/** How a profile is reached, or undefined when there is no such profile. */
export async function connectionOf(db: ClientDb, profileId: number): Promise<ProfileConnection | undefined> {
  const row = await db.one<{
    id: number
    connector: string
    address: string | null
    credentials: Buffer | null
    remoteId: string
  }>(sql`
    SELECT c.connection_id AS id, c.connector, c.address, c.credentials, p.remote_id AS remoteId
    FROM   connection c
    JOIN   profile p ON p.client_id = c.client_id AND p.profile_id = c.profile_id
    WHERE  c.client_id = ${db.client}
    AND    c.profile_id = ${profileId}`)
  if (!row) return undefined
  const cursors = await db.rows<{ stream: string; through: Day }>(sql`
    SELECT stream, through FROM sync_cursor WHERE client_id = ${db.client} AND connection_id = ${row.id}`)
  const { credentials, ...connection } = row
  return {
    ...connection,
    cursors: Object.fromEntries(cursors.map(({ stream, through }) => [stream, through])),
    ...(credentials && {
      credentials: {
        tokens: JSON.parse(unseal(credentials)) as Tokens,
        keep: (fresh) => keepCredentials(db, row.id, fresh),
      },
    }),
  }
}

/** Keeps what the owner's consent has given, sealed; without any, takes away what there was. */
export async function keepCredentials(db: ClientDb, connectionId: number, tokens: Tokens | undefined): Promise<void> {
  await db.run(sql`
    UPDATE connection
    SET    credentials = ${tokens ? seal(JSON.stringify(tokens)) : null}, may_publish = ${tokens?.mayPublish ?? false}
    WHERE  client_id = ${db.client}
    AND    connection_id = ${connectionId}`)
}

/** Notes how far a stream has come. It never goes back. */
export async function reached(db: ClientDb, connectionId: number, stream: string, through: Day): Promise<void> {
  await db.run(sql`
    INSERT INTO sync_cursor (client_id, connection_id, stream, through)
    VALUES (${db.client}, ${connectionId}, ${stream}, ${through})
    ON DUPLICATE KEY UPDATE through = GREATEST(through, VALUES(through))`)
}

/** Has every stream begin anew: what was fetched stays, and is asked for again. */
export async function beginAnew(db: ClientDb, connectionId: number): Promise<void> {
  await db.run(sql`DELETE FROM sync_cursor WHERE client_id = ${db.client} AND connection_id = ${connectionId}`)
}
