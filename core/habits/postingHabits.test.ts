import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { discoveries } from '../statistics/discoveries'
import { medianInterval } from '../statistics/medianInterval'
import { rankScore } from '../statistics/rankScore'
import { cornersOf, type CornerPost } from './corners'
import { formatHabits } from './formatHabits'
import { habitsOf, type HabitPost, type HabitsAsked } from './postingHabits'
import { onlyOf, termHabits } from './termHabits'
import { timesUsual } from './timesUsual'
import { everyWordIn, wordsIn } from './wordsIn'

describe('the median with its interval', () => {
  it('needs five values for nine of ten, and leaves out as many ends as the level allows', () => {
    expect(medianInterval([4, 1, 3, 2])).toBeUndefined()
    expect(medianInterval([5, 4, 1, 3, 2])).toEqual({ value: 3, low: 1, high: 5 })
    // of ten one may lie outside on either side (1.1 % and 1.1 %), of eleven two (3.3 % and 3.3 %)
    expect(medianInterval([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])).toEqual({ value: 5.5, low: 2, high: 9 })
    expect(medianInterval([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])).toEqual({ value: 6, low: 3, high: 9 })
    expect(medianInterval([])).toBeUndefined()
    expect(() => medianInterval([1], 1)).toThrow(RangeError)
  })
  it('stays exact where single chances are smaller than numbers can be', () => {
    const many = Array.from({ length: 20_000 }, (_, index) => index)
    const { low, high } = medianInterval(many)!
    // the normal approximation: 10,000 ± 1.645 × √20,000 / 2
    expect(low).toBeGreaterThan(9882)
    expect(low).toBeLessThan(9885)
    expect(low + high).toBe(19_999)
  })
  it('is told of posts as times usual', () => {
    const times = timesUsual([Math.log(2), Math.log(3), Math.log(4), 0, Math.log(0.5)])!
    expect(times.value).toBeCloseTo(2, 12)
    expect([times.low, times.high, times.posts]).toEqual([0.5, expect.closeTo(4, 12) as number, 5])
    expect(timesUsual([1, 2, 3, 4])).toBeUndefined()
  })
})

describe('a rank score', () => {
  it('is the rank sum in standard deviations, with half a rank for continuity', () => {
    const score = rankScore([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])
    // ranks 6 to 10 come to 40; 27.5 by chance, with a variance of 5 × 5 × 11 / 12
    expect(score([5, 6, 7, 8, 9])).toBeCloseTo(12 / Math.sqrt(275 / 12), 12)
    expect(score([0, 1, 2, 3, 4])).toBeCloseTo(-12 / Math.sqrt(275 / 12), 12)
    expect([score([9, 8, 7, 6]), score([0, 1, 2, 3, 4, 5])]).toEqual([0, 0])
  })
  it('shares the ranks of what is alike, and passes over what is not known', () => {
    // 1 1 | 2 2 2 2 2 2 2 2: midranks 1.5 and 6.5
    const score = rankScore([1, 2, undefined, 2, 2, 2, 1, 2, 2, 2, 2])
    const ties = (2 ** 3 - 2 + 8 ** 3 - 8) / 90
    expect(score([1, 2, 3, 4, 5, 7])).toBeCloseTo((5 * 6.5 - 27.5 - 0.5) / Math.sqrt((25 / 12) * (11 - ties)), 12)
    expect(rankScore([3, 3, 3, 3, 3, 3, 3, 3, 3, 3])([0, 1, 2, 3, 4])).toBe(0)
  })
})

describe('discoveries', () => {
  it('are judged by how many there are', () => {
    expect(discoveries([], 0.1)).toEqual([])
    // the largest place at which one is small enough counts for all before it: 2.5 %, 5 %, 7.5 %, 10 %
    expect(discoveries([1.34, 1.55, 0.8, 1.64], 0.1)).toEqual([false, false, false, false])
    expect(discoveries([1.34, 1.55, 1.29, 1.64], 0.1)).toEqual([true, true, true, true])
  })
})

describe('words', () => {
  it('say what a text is about', () => {
    expect(wordsIn('The tea room has plum cake after all. #mossgate @moss.gate www.mossgate.example/visit')).toEqual([
      'tea',
      'room',
      'plum',
      'cake',
    ])
    expect(wordsIn('Bäume und Bäume; des arbres, l’été')).toEqual(['bäume', 'arbres', "l'été"])
    expect(wordsIn('12 🌿 ab 2026')).toEqual([])
    expect(wordsIn('Room 12b at moss.example/rooms, moss.Example')).toEqual(['room', '12b', 'moss', 'example'])
    expect(everyWordIn('The 12 cakes of A. Moss')).toEqual(['the', '12', 'cakes', 'of', 'a', 'moss'])
    // the same letters, written in two ways
    expect(wordsIn('cafe\u0301')).toEqual(wordsIn('café'))
  })
})

describe('hashtags and words', () => {
  const post = (member: number, terms: string[], rest?: number) => ({
    member,
    terms,
    ...(rest !== undefined && { rest }),
  })
  it('count once in a post, with who uses them and how their posts did', () => {
    const habits = termHabits([
      ...[0.1, 0.2, 0.3, 0.4].map((rest) => post(1, ['lanterns', 'lanterns'], rest)),
      post(0, ['lanterns', 'moss'], 0.5),
      post(0, ['moss']),
      ...[0, -0.1, -0.2, -0.3, 0.01].map((rest) => post(0, [], rest)),
    ])
    expect(habits.map(({ term, posts, users }) => [term, posts, users])).toEqual([
      [
        'lanterns',
        5,
        [
          { member: 1, posts: 4 },
          { member: 0, posts: 1 },
        ],
      ],
      ['moss', 2, [{ member: 0, posts: 2 }]],
    ])
    expect(habits[0]!.times!.value).toBeCloseTo(Math.exp(0.3), 12)
    expect(habits[1]!.times).toBeUndefined()
    expect(habits[0]!.stands).toBe('above')
    expect([...onlyOf(habits, 2)].map(([member, own]) => [member, own.map(({ term }) => term)])).toEqual([
      [0, ['moss']],
    ])
    expect(onlyOf(habits, 3).size).toBe(0)
  })
})

describe('corners', () => {
  const at = (place: string, isRival: boolean, rest?: number): CornerPost => ({
    network: 'loft',
    places: [place],
    isRival,
    ...(rest !== undefined && { rest }),
  })
  it('are quiet where rivals post less than half of what they do on average, whatever the client does', () => {
    const posts = [
      ...Array.from({ length: 20 }, (_, index) => at('Monday', true, index % 2 ? 0.1 : -0.1)),
      ...[0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9].map((rest) => at('Tuesday', false, rest)),
      at('Tuesday', true, 0.2),
    ]
    const corners = cornersOf(posts, new Map([['loft', ['Monday', 'Tuesday', 'Wednesday']]]))
    expect(corners.map(({ place, rivals, own, average, isQuiet, stands }) => [place, rivals, own, average, isQuiet, stands]))
      .toEqual([
        ['Tuesday', 1, 7, 7, true, 'above'],
        ['Wednesday', 0, 0, 7, true, undefined],
        ['Monday', 20, 0, 7, false, undefined],
      ]) // prettier-ignore
    expect(corners[0]!.times!.posts).toBe(8)
  })
})

describe('formats', () => {
  it('are told as a share of each member’s posts, beside the middle rival', () => {
    const posts = [
      ...Array.from({ length: 6 }, () => ({ member: 0, format: 'photo', rest: 0.7 })),
      ...Array.from({ length: 2 }, () => ({ member: 0, format: 'clip', rest: 0 })),
      { member: 1, format: 'clip', rest: -0.1 },
      { member: 2, format: 'photo', rest: 0.1 },
      { member: 2, format: 'clip', rest: 0.2 },
    ]
    const [photo, clip] = formatHabits(posts, [0, 1, 2, 3])
    expect(photo!.members.map(({ member, posts: count, share }) => [member, count, share])).toEqual([
      [0, 6, 0.75],
      [2, 1, 0.5],
    ])
    // of the rivals that post one has none and one half of them
    expect([photo!.rivalsShare, clip!.rivalsShare]).toEqual([0.25, 0.75])
    expect(photo!.members[0]!.times!.value).toBeCloseTo(Math.exp(0.7), 12)
    expect(photo!.members[0]!.stands).toBe('above')
    expect(clip!.members[0]!.times).toBeUndefined()
  })
})

describe('the habits of a field', () => {
  const END = '2026-10-28'
  const post = (part: Partial<HabitPost> & { day: string }): HabitPost => ({
    member: 0,
    profile: 1,
    network: 'loft',
    format: 'photo',
    text: '',
    at: Date.parse(`${part.day}T10:00:00Z`),
    interactions: 9,
    ...part,
  })
  const asked: HabitsAsked = {
    members: [0, 7],
    period: { from: '2026-10-01', to: END },
    terms: 'hashtags',
    term: '',
    corners: 'weekday',
  }
  it('tell terms and formats of the period, and rhythm, corners and a single term of the year', () => {
    const posts = [
      post({ day: '2026-10-05', text: 'One #Lanterns' }),
      post({ day: '2026-10-06', text: 'Two #lanterns #moss', member: 7, profile: 2 }),
      post({ day: '2026-03-02', text: 'Three #lanterns' }),
      post({ day: addDays(END, -364), text: 'a day too early #lanterns' }),
      post({ day: addDays(END, -363), text: 'the first day #lanterns', member: 7, profile: 2 }),
    ]
    const habits = habitsOf(posts, { ...asked, term: 'lanterns' })
    // of either profile there are too few to be judged
    expect([habits.posts, habits.judged, habits.allTerms]).toEqual([2, 0, 2])
    expect(habits.terms.map(({ term, posts: count }) => [term, count])).toEqual([
      ['lanterns', 2],
      ['moss', 1],
    ])
    expect(habits.formats.map(({ format, posts: count }) => [format, count])).toEqual([['photo', 2]])
    // 5 October and 2 March are Mondays, 6 October is a Tuesday, and so was the first day of the year
    expect(habits.rhythm.map(({ member, posts: count, weekdays }) => [member, count, ...weekdays])).toEqual([
      [0, 2, 2, 0, 0, 0, 0, 0, 0],
      [7, 2, 0, 1, 0, 1, 0, 0, 0],
    ])
    expect(habits.term!.posts).toBe(4)
    expect(habits.term!.weeks.length).toBe(52)
    expect([habits.term!.weeks[0], habits.term!.weeks.at(-1)]).toEqual([
      { from: '2025-10-30', posts: 1 },
      { from: '2026-10-22', posts: 0 },
    ])
    expect(habits.term!.members.map(({ member, posts: count, first }) => [member, count, first])).toEqual([
      [0, 2, '2026-03-02'],
      [7, 2, '2025-10-30'],
    ])
    expect([habits.corners.length, habits.emptyCorners]).toEqual([3, 4])
  })
  it('look at any word by itself, also one that every text has', () => {
    const posts = [post({ day: '2026-10-05', text: 'The moss of the wall' })]
    const habits = habitsOf(posts, { ...asked, terms: 'words', term: 'the' })
    expect(habits.terms.map(({ term }) => term)).toEqual(['moss', 'wall'])
    expect(habits.term!.posts).toBe(1)
  })
  it('judge posts beside their own profile, so that a large one lends nothing to its words', () => {
    const many = (profile: number, level: number, text: string) =>
      Array.from({ length: 12 }, (_, index) =>
        post({
          day: addDays('2026-10-01', index),
          member: profile === 1 ? 0 : 7,
          profile,
          text: index % 2 ? text : '',
          interactions: level,
        }),
      )
    const { terms } = habitsOf([...many(1, 10, '#small'), ...many(2, 10_000, '#large')], asked)
    expect(terms.map(({ term, times }) => [term, times!.value])).toEqual([
      ['large', 1],
      ['small', 1],
    ])
  })
  it('take away what a format does, but from formats', () => {
    const posts = Array.from({ length: 40 }, (_, index) =>
      post({
        day: addDays('2026-10-01', index % 25),
        format: index % 2 ? 'clip' : 'photo',
        text: index % 2 ? '#onfilm' : '#still',
        interactions: index % 2 ? 400 : 100,
      }),
    )
    const { formats, terms, corners } = habitsOf(posts, { ...asked, corners: 'format' })
    const clip = formats.find(({ format }) => format === 'clip')!.members[0]!.times!
    const film = terms.find(({ term }) => term === 'onfilm')!.times!
    // a usual post of both has 250: a film 1.6 times as many, of which a fifth is left to chance in 20 posts
    expect(clip.value).toBeCloseTo(400.5 / Math.sqrt(400.5 * 100.5), 1)
    expect(film.value).toBeLessThan(1.2)
    expect(corners.find(({ place }) => place === 'clip')!.times!.value).toBeCloseTo(clip.value, 12)
  })
  it('judge no post of a profile that has fewer than five: it would be its own usual', () => {
    const few = (count: number) =>
      Array.from({ length: count }, (_, index) => post({ day: addDays('2026-10-01', index), profile: 3, text: '#few' }))
    const many = Array.from({ length: 6 }, (_, index) => post({ day: addDays('2026-10-10', index) }))
    expect(habitsOf([...few(4), ...many], asked).judged).toBe(6)
    expect(habitsOf([...few(5), ...many], asked).judged).toBe(11)
  })
  it('leave out what a network does not say, and are nothing where nobody posts', () => {
    const silent = Array.from({ length: 6 }, (_, index) => {
      const { interactions: _none, ...rest } = post({ day: addDays('2026-10-01', index), text: '#quiet' })
      return rest
    })
    const { judged, terms } = habitsOf(silent, asked)
    expect([judged, terms[0]!.posts, terms[0]!.times]).toEqual([0, 6, undefined])
    expect(habitsOf([], { ...asked, term: 'moss' })).toMatchObject({
      posts: 0,
      rhythm: [],
      terms: [],
      only: [],
      corners: [],
      term: { posts: 0, members: [] },
    })
  })
})
