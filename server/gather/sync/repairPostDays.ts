import type { Pool, RowDataPacket } from 'mysql2/promise'
import { dayAt } from '../../../core/days/lastCompleteDay'

/** How many posts are looked at together. */
const AT_A_TIME = 2000

interface PostDay {
  client_id: number
  profile_id: number
  remote_id: string
  published_at: Date
  day: string
  time_zone: string
}

/**
 * Gives every post the day that it was in its client's zone when it was published: earlier versions kept the network's
 * day. Running it again changes nothing.
 *
 * @returns how many posts were moved
 */
export async function repairPostDays(pool: Pool): Promise<number> {
  let moved = 0
  let after: [number, number, string] = [0, 0, '']
  for (;;) {
    const [rows] = await pool.query<(PostDay & RowDataPacket)[]>(
      `
      SELECT   p.client_id, p.profile_id, p.remote_id, p.published_at, p.day, c.time_zone
      FROM     post p
      JOIN     client c ON c.client_id = p.client_id
      WHERE    (p.client_id, p.profile_id, p.remote_id) > (?, ?, ?)
      ORDER BY p.client_id, p.profile_id, p.remote_id
      LIMIT    ?`,
      [...after, AT_A_TIME],
    )
    const last = rows.at(-1)
    if (!last) return moved
    after = [last.client_id, last.profile_id, last.remote_id]
    for (const row of rows) {
      const day = dayAt(row.published_at.getTime(), row.time_zone)
      if (day === row.day) continue
      await pool.query('UPDATE post SET day = ? WHERE client_id = ? AND profile_id = ? AND remote_id = ?', [
        day,
        row.client_id,
        row.profile_id,
        row.remote_id,
      ])
      moved++
    }
  }
}
