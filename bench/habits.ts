import { addDays } from '../core/days/day'
import { habitsOf, type HabitPost } from '../core/habits/postingHabits'
import { termHabits } from '../core/habits/termHabits'
import { besideProfile, withoutFormats } from '../core/times/besideUsual'
import { hashtagsIn } from '../core/tags/tagRule'
import { unit } from '../demo/random'
import { median, ms, report, times } from './measure'

const [POSTS, END] = [100_000, '2026-10-28']

/** The habits of a field of 50 rivals with 100,000 posts in a year, beside finding their hashtags alone. */
export async function benchHabits(): Promise<void> {
  const posts = Array.from({ length: POSTS }, (_, index): HabitPost => {
    const key = ['bench habits', index] as const
    const day = addDays(END, -Math.floor(unit(...key, 'day') * 363))
    const profile = 1 + (index % 200)
    const word = (name: string, many: number) => Math.floor(unit(...key, name) ** 3 * many)
    return {
      member: profile < 5 ? 0 : Math.ceil(profile / 4),
      profile,
      network: ['loft', 'tintype', 'commons', 'murmur'][profile % 4]!,
      format: ['photo', 'clip', 'text', 'film'][index % 4]!,
      text: [
        `Word${word('a', 3000)} and word${word('b', 3000)} before the gates open,`,
        `and word${word('c', 3000)} again. #tag${word('d', 2000)} #tag${word('e', 2000)}`,
      ].join(' '),
      at: Date.parse(`${day}T00:00:00Z`) + Math.floor(unit(...key, 'hour') * 86_400_000),
      day,
      interactions: Math.floor(unit(...key, 'much') * 400),
    }
  })
  const asked = (terms: 'hashtags' | 'words') => ({
    members: Array.from({ length: 51 }, (_, member) => member),
    period: { from: addDays(END, -363), to: END },
    terms,
    term: '',
    corners: 'weekday' as const,
  })
  const alone = await median(5, () => {
    const responded = posts.map(({ at, profile, format, interactions }) => ({
      at,
      profile,
      format,
      response: interactions!,
    }))
    const rest = withoutFormats(responded, besideProfile(responded))
    return Promise.resolve(
      termHabits(posts.map(({ member, text }, index) => ({ member, terms: hashtagsIn(text), rest: rest[index] }))),
    )
  })
  const hashtags = await median(5, () => Promise.resolve(habitsOf(posts, asked('hashtags'))))
  const words = await median(5, () => Promise.resolve(habitsOf(posts, asked('words'))))
  const plain = await median(5, () => Promise.resolve(posts.map(({ text }) => hashtagsIn(text))))
  report(
    `habits of ${POSTS} posts`,
    {
      'hashtags': ms(alone),
      'the whole page with them': ms(hashtags),
      'with words': ms(words),
      'finding hashtags alone': ms(plain),
      'rate': times(alone / plain),
    },
    { text: 'hashtags at most 1,000 ms', met: alone <= 1000 },
  )
}
