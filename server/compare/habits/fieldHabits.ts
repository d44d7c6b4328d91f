import { addDays } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { HABIT_DAYS, type HabitPost, type Habits, type HabitsAsked } from '../../../core/habits/postingHabits'
import { USUAL_DAYS } from '../../../core/times/besideUsual'
import type { HabitsQuery, HabitsView } from '../../../shared/compare/habits'
import { OPEN_OR_NONE } from '../../figures/questions/openInteractions'
import type { ResolvedScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { threadOf } from '../../platform/threads'
import { groupsOf, type Group } from '../field/groups'

/** How many posts are looked at, the newest; and how long a post gathers before it is judged. */
export const MOST_POSTS = 100_000
const YOUNG_DAYS = 7

const inThread = threadOf<{ posts: readonly HabitPost[]; asked: HabitsAsked }, Habits>(
  'server/compare/habits/habitsThread.ts',
)

/**
 * What the members of a field post: how often and when, in what formats, with what hashtags and words, and where rivals
 * are quiet. Only what everybody can see is used, of the client too.
 */
export async function fieldHabits(db: ClientDb, scope: ResolvedScope, query: HabitsQuery): Promise<HabitsView> {
  const { groups, hidden, networks } = await groupsOf(db, scope, query)
  const { period } = scope
  const year = { from: addDays(period.to, 1 - HABIT_DAYS), to: period.to }
  const judgedTo = addDays(lastCompleteDay(now(), db.timeZone), -YOUNG_DAYS)
  const rows = await postsOf(db, groups, period.from < year.from ? period.from : year.from, period.to)
  const memberOf = new Map(
    groups.flatMap(({ id, profiles }) => profiles.map((profile) => [profile.profile_id, { id, ...profile }] as const)),
  )
  const posts = rows.slice(0, MOST_POSTS).map((row): HabitPost => {
    const { id: member, network } = memberOf.get(row.profile)!
    return {
      member,
      profile: row.profile,
      network,
      format: row.format,
      text: row.text,
      at: row.publishedAt.getTime(),
      day: row.day,
      ...(row.interactions !== null && row.day <= judgedTo && { interactions: Number(row.interactions) }),
    }
  })
  const habits = await inThread({
    posts,
    asked: {
      members: groups.map(({ id }) => id),
      period,
      terms: query.terms,
      term: query.term,
      corners: query.corners,
    },
  })
  return {
    ...habits,
    members: groups.map(({ id, name, isOwn }) => ({ id, name, isOwn })),
    hidden,
    networks,
    ...(rows.length > MOST_POSTS && { cutAt: MOST_POSTS }),
    judgedTo,
    year,
  }
}

/**
 * The newest posts of the members between two days and around them, from which what is usual is taken, one more than are
 * looked at, with what everybody can see of them.
 */
async function postsOf(db: ClientDb, groups: readonly Group[], from: string, to: string) {
  const profiles = groups.flatMap(({ profiles: own }) => own.map(({ profile_id: id }) => id))
  if (profiles.length === 0) return []
  return await db.rows<{
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
    AND      p.profile_id IN (${profiles})
    AND      p.day BETWEEN ${addDays(from, -USUAL_DAYS)} AND ${addDays(to, USUAL_DAYS)}
    ORDER BY p.published_at DESC, p.profile_id, p.remote_id
    LIMIT    ${MOST_POSTS + 1}`)
}
