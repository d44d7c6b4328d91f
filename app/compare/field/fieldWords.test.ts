import { describe, expect, it } from 'vitest'
import { formatWords, growthWords, meetingWords, medianWords, separationWords } from './fieldWords'

const parts = { posts: 0, each: 0 }
describe('what is said of a field', () => {
  it('says what parts a rival from the client, whichever way', () => {
    expect(separationWords({ posts: 2.1, each: 1 / 1.4, together: 1.5, parts }, 'en-GB')).toBe(
      'posts 2.1 times as often as you; per post you bring 1.4 times as many interactions. Together it gets 1.5 times as many.',
    )
    expect(separationWords({ posts: 0.5, each: 3, together: 1.5, parts }, 'en-GB')).toBe(
      'posts less often: you do 2.0 times as often; per post it brings 3.0 times as many interactions. Together it gets 1.5 times as many.',
    )
    expect(separationWords({ posts: 1.01, each: 0.97, together: 0.98, parts }, 'en-GB')).toBe(
      'posts about as often as you; per post it brings about as many interactions. Together that comes to about the same.',
    )
  })

  it('says what parts them per post by formats, with signs', () => {
    const most = { key: 'clip', change: 18, mix: 3, rate: 15 }
    expect(formatWords({ from: 10, to: 30, mix: 4, rate: 16, most }, 'en-GB')).toBe(
      'Beside yours its posts have +20.0 interactions each: +4.0 by the mix of formats, +16.0 by what each format ' +
        'brings; most of it is clip (+18.0).',
    )
    expect(formatWords({ from: 30, to: 10, mix: -4, rate: -16, most: { ...most, change: -18 } }, 'en-GB')).toContain(
      'its posts have −20.0 interactions each: −4.0 by',
    )
  })

  it('says when a following is reached, or that it is not', () => {
    const meeting = { isOvertaken: true, ratio: 5, pace: 0.02 }
    const words = (part: object) => meetingWords({ meeting: { ...meeting, ...part } }, '2026-10-28', 'en-GB')
    // 20 and 40 weeks after 28 October 2026 are 17 March and 4 August 2027
    expect(words({ from: 20, to: 40 })).toMatch(
      /^has 20\.0\s%? ?of your following\. If both go on, it will stand level with you between March 2027 and August 2027\.$/,
    )
    expect(words({ from: 20, to: 21 })).toContain('in March 2027.')
    expect(words({ from: 20 })).toContain('may stand level with you from March 2027 on, or not within two years')
    expect(words({})).toContain('it will not stand level with you within two years')
    expect(words({ pace: -0.01 })).toContain('grows no faster: at this pace the gap does not close')
    expect(words({ isOvertaken: false, from: 20, to: 40 })).toMatch(
      /^has 5\.0 times your following\. If both go on, you will stand level with it/,
    )
    expect(meetingWords({}, '2026-10-28', 'en-GB')).toBeUndefined()
  })

  it('says where the client stands against the median', () => {
    const table = (metric: 'followers' | 'posts' | 'views', index?: number, band = true) => ({
      metric,
      rows: [{ member: 0, ...(index && { standing: { rank: 1, index } }) }],
      ...(band && { band: { lower: 1, middle: 2, upper: 3 } }),
    })
    expect(medianWords([table('followers', 128), table('posts', 72), table('views', 101)], 0, 'en-GB')).toBe(
      'Against the median of the field, which is 100, you are ahead in followers (128.0); behind in posts (72.0); ' +
        'about level in views (101.0).',
    )
    expect(medianWords([table('followers', 128, false)], 0, 'en-GB')).toBeUndefined()
  })

  it('says who grows faster than whom, and since when', () => {
    const growth = { value: 0.086, low: 0.08, high: 0.09, weeks: 26 }
    const out = { is: 'faster' as const, others: 3, ofSize: true, middle: 0.009 }
    const plain = (text: string) => text.replaceAll('\u202F', ' ')
    const words = (part: object) =>
      plain(growthWords({ isOwn: false, followers: 5000, growth, standsOut: out, ...part }, 'en-GB'))
    expect(words({})).toBe(
      'It grows faster than the 3 others of its size (1,000 to 10,000 followers): +8.6 % in four weeks, their middle +0.9 %.',
    )
    expect(words({ isOwn: true, standsOut: { ...out, is: 'slower', ofSize: false } })).toBe(
      'You grow more slowly than the 3 others of the field: +8.6 % in four weeks, their middle +0.9 %.',
    )
    expect(words({ standsOut: { ...out, is: 'alike' } })).toBe('')
    expect(words({ standsOut: undefined, turn: { from: '2026-07-30', before: 0.005, after: 0.024 } })).toBe(
      'Since 30 Jul 2026 it grows faster: +2.4 % in four weeks, before +0.5 %.',
    )
    expect(words({ isOwn: true, standsOut: undefined, turn: { from: '2026-07-30', before: 0.02, after: 0.01 } })).toBe(
      'Since 30 Jul 2026 you grow more slowly: +1.0 % in four weeks, before +2.0 %.',
    )
  })
})
