import { RELEASABLE, type Releasable } from '../../../shared/platform/releasable'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** What the viewers of a client may see beside its editions. */
export async function releasedOf(db: ClientDb): Promise<Releasable[]> {
  const row = await db.one<{ released: string }>(sql`SELECT released FROM client WHERE client_id = ${db.client}`)
  return RELEASABLE.filter((one) => row!.released.split(',').includes(one))
}

/** Decides what the viewers of a client may see beside its editions. */
export const release = async (db: ClientDb, released: readonly Releasable[]): Promise<void> =>
  void (await db.run(sql`
  UPDATE client SET released = ${[...new Set(released)].join(',')} WHERE client_id = ${db.client}`))
