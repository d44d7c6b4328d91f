import { judgeKinds, type Judged } from './timesUsual'

/** A post with what is looked at in it. */
export interface TermedPost {
  member: number
  terms: readonly string[]
  /** How far it was from usual, in logarithms; absent where that is not known, or not yet. */
  rest?: number | undefined
}

/** How a hashtag or a word is used, and what the posts with it did. */
export interface TermHabit extends Judged {
  term: string
  posts: number
  /** Who uses it, most first. */
  users: { member: number; posts: number }[]
}

/**
 * How hashtags or words are used by the members of a field, and how the posts with each did: a term counts once in a
 * post.
 *
 * @returns those that are used most first, then by name
 * @example termHabits([{ member: 1, terms: ['lanterns'], rest: 0.2 }])[0].posts // 1
 */
export function termHabits(posts: readonly TermedPost[]): TermHabit[] {
  const found = new Map<string, { users: Map<number, number>; places: number[] }>()
  posts.forEach(({ member, terms }, place) => {
    for (const term of new Set(terms)) {
      const own = found.get(term) ?? { users: new Map<number, number>(), places: [] }
      own.places.push(place)
      own.users.set(member, (own.users.get(member) ?? 0) + 1)
      found.set(term, own)
    }
  })
  const judged = judgeKinds(
    posts.map(({ rest }) => rest),
    [...found.values()].map(({ places }) => places),
  )
  return [...found]
    .map(
      ([term, { users, places }], index): TermHabit => ({
        term,
        posts: places.length,
        users: [...users].map(([member, count]) => ({ member, posts: count })).sort((a, b) => b.posts - a.posts),
        ...judged[index],
      }),
    )
    .sort((a, b) => b.posts - a.posts || (a.term < b.term ? -1 : 1))
}

/**
 * What each member uses that nobody else does, in so many posts at the least.
 *
 * @param habits  as `termHabits` gives them
 * @example       onlyOf([{ term: 'lanterns', posts: 4, users: [{ member: 1, posts: 4 }] }], 3).get(1)?.[0].term // 'lanterns'
 */
export function onlyOf(habits: readonly TermHabit[], least: number): Map<number, TermHabit[]> {
  const found = new Map<number, TermHabit[]>()
  for (const habit of habits)
    if (habit.users.length === 1 && habit.posts >= least) {
      const { member } = habit.users[0]!
      const own = found.get(member)
      if (own) own.push(habit)
      else found.set(member, [habit])
    }
  return found
}
