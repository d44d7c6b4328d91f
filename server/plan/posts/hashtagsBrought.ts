import { addDays } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { HABIT_DAYS, habitsOf } from '../../../core/habits/postingHabits'
import { USUAL_DAYS } from '../../../core/times/besideUsual'
import type { HashtagBrought } from '../../../shared/plan/plannedPosts'
import { OPEN_OR_NONE } from '../../figures/questions/openInteractions'
import { activeProfiles } from '../../figures/questions/profileRows'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** How many posts are looked at, the newest; how many hashtags are told; how long a post gathers before it is judged. */
const MOST_POSTS = 10_000
const MOST_HASHTAGS = 40
const YOUNG_DAYS = 7

/**
 * The hashtags of the client's own posts of the last year, with what posts with each brought beside what is usual of
 * their profile and format: those first that did surely best, then those used most.
 */
export async function hashtagsBrought(db: ClientDb): Promise<HashtagBrought[]> {
  const own = await activeProfiles(db)
  if (own.length === 0) return []
  const last = lastCompleteDay(now(), db.timeZone)
  const judgedTo = addDays(last, -YOUNG_DAYS)
  const period = { from: addDays(last, 1 - HABIT_DAYS), to: last }
  const rows = await db.rows<{
    profile: number
    publishedAt: Date
    day: string
    format: string
    text: string
    interactions: number | null
  }>(sql`
    SELECT   p.profile_id AS profile, p.published_at AS publishedAt, p.day, p.format, p.text,
             ${OPEN_OR_NONE} AS interactions
    FROM     post p
    WHERE    p.client_id = ${db.client}
    AND      p.profile_id IN (${own.map(({ profile_id: id }) => id)})
    AND      p.day BETWEEN ${addDays(period.from, -USUAL_DAYS)} AND ${last}
    ORDER BY p.published_at DESC, p.profile_id, p.remote_id
    LIMIT    ${MOST_POSTS}`)
  const networkOf = new Map(own.map(({ profile_id: id, network }) => [id, network]))
  const { terms } = habitsOf(
    rows.map(({ profile, publishedAt, day, format, text, interactions }) => ({
      member: 0,
      profile,
      network: networkOf.get(profile)!,
      format,
      text,
      at: publishedAt.getTime(),
      day,
      ...(interactions !== null && day <= judgedTo && { interactions: Number(interactions) }),
    })),
    { members: [0], period, terms: 'hashtags', term: '', corners: 'weekday' },
  )
  return terms
    .map(({ term, posts, times, stands }) => ({ tag: term, posts, ...(times && { times }), ...(stands && { stands }) }))
    .sort((a, b) => (b.times?.low ?? 0) - (a.times?.low ?? 0) || b.posts - a.posts || (a.tag < b.tag ? -1 : 1))
    .slice(0, MOST_HASHTAGS)
}
