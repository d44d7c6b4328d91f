import { addDays, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import type { HabitPost } from '../../../core/habits/postingHabits'
import type { Period } from '../../../core/periods/period'
import { USUAL_DAYS } from '../../../core/times/besideUsual'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { OPEN_OR_NONE } from './openInteractions'

/** How long a post gathers before it is judged. */
const YOUNG_DAYS = 7

/** The last day whose posts are judged: those after it are still gathering. */
export const judgedTo = (db: ClientDb): Day => addDays(lastCompleteDay(now(), db.timeZone), -YOUNG_DAYS)

/**
 * The newest posts of some profiles in a period and around it, from which what is usual is taken, with what everybody
 * can see of them.
 *
 * @param whose  the member and the network of each profile, by its number
 * @param most   how many at the most
 * @returns      whether there are more
 */
export async function habitPosts(
  db: ClientDb,
  whose: ReadonlyMap<number, { member: number; network: string }>,
  { from, to }: Period,
  most: number,
): Promise<{ posts: HabitPost[]; isCut: boolean }> {
  if (whose.size === 0) return { posts: [], isCut: false }
  const until = judgedTo(db)
  const rows = await db.rows<{
    profile: number
    publishedAt: Date
    day: Day
    format: string
    text: string
    interactions: number | null
  }>(sql`
    SELECT   p.profile_id AS profile, p.published_at AS publishedAt, p.day, p.format, p.text,
             ${OPEN_OR_NONE} AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${[...whose.keys()]})
    AND      p.day BETWEEN ${addDays(from, -USUAL_DAYS)} AND ${addDays(to, USUAL_DAYS)}
    ORDER BY p.published_at DESC, p.profile_id, p.remote_id
    LIMIT    ${most + 1}`)
  return {
    posts: rows.slice(0, most).map(({ publishedAt, interactions, ...post }) => ({
      ...whose.get(post.profile)!,
      ...post,
      at: publishedAt.getTime(),
      ...(interactions !== null && post.day <= until && { interactions: Number(interactions) }),
    })),
    isCut: rows.length > most,
  }
}
