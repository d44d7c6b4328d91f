import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** Within how many hours a client wants its reviews answered. */
export const wantedHours = async (db: ClientDb): Promise<number> =>
  (await db.one<{ hours: number }>(sql`SELECT answer_hours AS hours FROM client WHERE client_id = ${db.client}`))!.hours

export const setWantedHours = (db: ClientDb, hours: number) =>
  db.run(sql`UPDATE client SET answer_hours = ${hours} WHERE client_id = ${db.client}`)
