import { addDays } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { HABIT_DAYS, habitsOf } from '../../../core/habits/postingHabits'
import type { HashtagBrought } from '../../../shared/plan/hashtags'
import { habitPosts } from '../../figures/questions/habitPosts'
import { activeProfiles } from '../../figures/questions/profileRows'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'

/** How many posts are looked at, the newest; and how many hashtags are told. */
const MOST_POSTS = 10_000
const MOST_HASHTAGS = 40

/**
 * The hashtags of the client's own posts of the last year, with what posts with each brought beside what is usual of
 * their profile and format: those first that did surely best, then those used most.
 */
export async function hashtagsBrought(db: ClientDb): Promise<HashtagBrought[]> {
  const own = await activeProfiles(db)
  if (own.length === 0) return []
  const last = lastCompleteDay(now(), db.timeZone)
  const period = { from: addDays(last, 1 - HABIT_DAYS), to: last }
  const whose = new Map(own.map(({ profile_id: id, network }) => [id, { member: 0, network }]))
  const { posts } = await habitPosts(db, whose, period, MOST_POSTS)
  const { terms } = habitsOf(posts, { members: [0], period, terms: 'hashtags', term: '', corners: 'weekday' })
  return terms
    .map(({ term, posts: many, times, stands }) => ({
      tag: term,
      posts: many,
      ...(times && { times }),
      ...(stands && { stands }),
    }))
    .sort((a, b) => (b.times?.low ?? 0) - (a.times?.low ?? 0) || b.posts - a.posts || (a.tag < b.tag ? -1 : 1))
    .slice(0, MOST_HASHTAGS)
}
