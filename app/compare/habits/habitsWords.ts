import { formatter, type Rounding } from '~~/core/format/formatter'
import type { TimesUsual } from '~~/core/habits/timesUsual'
import { LEAST_POSTS } from '~~/core/why/carryingPosts'

/** How posts did: "1.42 × (1.10–1.93)". */
export function timesWords(times: TimesUsual | undefined, locale: string): string {
  if (!times) return '—'
  const shown = (value: number, rounding?: Rounding) => formatter(locale, 2, rounding).format(value)
  return `${shown(times.value)} × (${shown(times.low, 'down')}–${shown(times.high, 'up')})`
}

/** What can be said of them. */
export function standsWords(own: { times?: TimesUsual; stands?: 'above' | 'below' }): string {
  if (own.stands) return own.stands === 'above' ? 'above usual' : 'below usual'
  return own.times ? 'not told apart' : `fewer than ${LEAST_POSTS} posts judged`
}

/** Who uses something, and how often: "Mossgate Gardens 4, Thornapple Park 1". */
export const usersWords = (
  users: readonly { member: number; posts: number }[],
  members: readonly { id: number; name: string }[],
): string => users.map(({ member, posts }) => `${memberName(members, member)} ${posts}`).join(', ')

export const memberName = (members: readonly { id: number; name: string }[], member: number): string =>
  members.find(({ id }) => id === member)?.name ?? ''

/** What stands before a hashtag, and before nothing else. */
export const signOf = (kind: string): string => (kind.startsWith('hashtag') ? '#' : '')
