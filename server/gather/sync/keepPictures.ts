import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import type { Connector } from '../connectors/connector'

/** How many pictures are fetched in one sync, the newest first: the others have their turn with the next. */
const AT_A_TIME = 60
/** Pictures of so many bytes are written together, or one that is larger. */
const WRITTEN_AT_ONCE_BYTES = 1_000_000

/** What has a picture, the table that keeps it, and what says which are the newest. */
const PICTURED = [
  { table: 'post', kept: 'post_picture', newest: 'published_at' },
  { table: 'listing_picture', kept: 'listing_picture_file', newest: 'added_at' },
] as const

/**
 * Fetches the pictures of posts and of a listing that are not here yet. Networks forget where a picture was, so it is
 * kept. One that is gone is not asked about again.
 */
export async function keepPictures(
  db: ClientDb,
  profileId: number,
  picture: NonNullable<Connector['picture']>,
): Promise<void> {
  for (const pictured of PICTURED) await keepOf(db, profileId, pictured, picture)
}

async function keepOf(
  db: ClientDb,
  profileId: number,
  { table, kept, newest }: (typeof PICTURED)[number],
  picture: NonNullable<Connector['picture']>,
): Promise<void> {
  const missing = await db.rows<{ id: string; address: string }>(sql`
    SELECT   p.remote_id AS id, p.picture_url AS address
    FROM     ${raw(table)} p
    LEFT JOIN ${raw(kept)} k ON k.client_id = p.client_id AND k.profile_id = p.profile_id AND k.remote_id = p.remote_id
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id = ${profileId}
    AND      p.picture_url IS NOT NULL
    AND      k.remote_id IS NULL
    ORDER BY ${raw(`p.${newest}`)} DESC
    LIMIT    ${AT_A_TIME}`)
  let fresh: unknown[][] = []
  let bytes = 0
  const write = async () => {
    await db.insertRows(kept, ['profile_id', 'remote_id', 'type', 'bytes'], fresh, ['type', 'bytes'])
    fresh = []
    bytes = 0
  }
  try {
    for (const { id, address } of missing) {
      const found = await picture(address)
      if (!found) {
        await db.run(sql`
          UPDATE ${raw(table)}
          SET    picture_url = NULL
          WHERE  client_id = ${db.client}
          AND    profile_id = ${profileId}
          AND    remote_id = ${id}`)
        continue
      }
      fresh.push([profileId, id, found.type, found.bytes])
      bytes += found.bytes.length
      if (bytes >= WRITTEN_AT_ONCE_BYTES) await write()
    }
  } finally {
    // also when the network answers no more: what has come is kept
    await write()
  }
}
