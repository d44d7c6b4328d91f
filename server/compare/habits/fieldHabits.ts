import { addDays } from '../../../core/days/day'
import { HABIT_DAYS, type HabitPost, type Habits, type HabitsAsked } from '../../../core/habits/postingHabits'
import type { HabitsQuery, HabitsView } from '../../../shared/compare/habits'
import { habitPosts, judgedTo } from '../../figures/questions/habitPosts'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { ClientDb } from '../../platform/database/clientDb'
import { threadOf } from '../../platform/threads'
import { groupsOf } from '../field/groups'

/** How many posts are looked at, the newest. */
export const MOST_POSTS = 100_000

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
  const whose = new Map(
    groups.flatMap(({ id, profiles }) =>
      profiles.map((row) => [row.profile_id, { member: id, network: row.network }] as const),
    ),
  )
  const from = period.from < year.from ? period.from : year.from
  const { posts, isCut } = await habitPosts(db, whose, { from, to: period.to }, MOST_POSTS)
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
    ...(isCut && { cutAt: MOST_POSTS }),
    judgedTo: judgedTo(db),
    year,
  }
}
