import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { farPosts, newHashtags, silenceIn, type SeenPost } from './rivalWatch'

const LAST = '2026-10-28'
/** A post so many days before the last one. */
const post = (ago: number, part: Partial<SeenPost> = {}): SeenPost => ({
  id: `p${ago}`,
  profile: 1,
  day: addDays(LAST, -ago),
  text: '',
  interactions: 10,
  ...part,
})
const every = (days: number, from: number, to: number, part: (index: number) => Partial<SeenPost> = () => ({})) =>
  Array.from({ length: Math.floor((from - to) / days) + 1 }, (_, index) => post(from - index * days, part(index)))

/** A linear congruential generator (Numerical Recipes), and sums of twelve draws for what is normal. */
function draws(seed: number) {
  let state = seed
  const draw = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
  return { draw, normal: () => Array.from({ length: 12 }, draw).reduce((sum, each) => sum + each, -6) }
}

describe('posts far above usual', () => {
  // 40 posts with 10, 20, 10, 20 …: quartiles ln 11 and ln 21, fence ln 21 + 1.5 · ln(21/11) → 54.4 interactions
  const past = every(4, 170, 14, (index) => ({ interactions: index % 2 ? 20 : 10 }))
  it('lie beyond the fence of the year before', () => {
    expect(past).toHaveLength(40)
    const found = (interactions: number) => farPosts([...past, post(3, { interactions })], addDays(LAST, -13), LAST)
    expect(found(54)).toEqual([])
    expect(found(55)).toEqual([
      {
        post: 'p3',
        profile: 1,
        day: '2026-10-25',
        interactions: 55,
        usual: 15,
        posts: 40,
      },
    ])
  })
  it('are twice the median at least, however alike the others are', () => {
    const alike = every(4, 170, 14)
    const found = (interactions: number) => farPosts([...alike, post(3, { interactions })], addDays(LAST, -13), LAST)
    expect(found(19)).toEqual([])
    expect(found(20)).toHaveLength(1)
  })
  it('need twenty others of their profile that gathered for a week, and figures that can be seen', () => {
    const high = post(3, { interactions: 500 })
    const from = addDays(LAST, -13)
    expect(farPosts([...past.slice(0, 19), high], from, LAST)).toEqual([])
    expect(farPosts([...past.slice(0, 20), high], from, LAST)).toHaveLength(1)
    expect(farPosts([...past, { ...high, profile: 2 }], from, LAST)).toEqual([])
    const { interactions: _, ...unseen } = high
    expect(farPosts([...past, unseen], from, LAST)).toEqual([])
    // nineteen that are old enough, and one of six days ago
    expect(farPosts([...past.slice(0, 19), post(6, { id: 'young' }), high], from, LAST)).toEqual([])
    expect(farPosts([...past, post(20, { interactions: 900 })], from, LAST)).toEqual([])
  })
  it('are few where nothing is special: about one in 200 of posts that scatter as logarithms do', () => {
    const { normal } = draws(20261130)
    let [said, tried] = [0, 0]
    for (let world = 0; world < 100; world++) {
      const posts = every(2, 400, 0, () => ({ interactions: Math.round(Math.exp(4 + 0.6 * normal())) }))
      said += farPosts(posts, addDays(LAST, -13), LAST).length
      tried += posts.filter(({ day }) => day >= addDays(LAST, -13)).length
    }
    // beyond 2.698 standard deviations on one side: 0.35 %; a little more, as the quartiles are of a sample
    expect(said / tried).toBeLessThan(0.015)
  })
})

describe('silence', () => {
  it('is a pause half as long again as the longest of the year before', () => {
    // every other day, once a pause of nine days without a post
    const posts = [...every(2, 120, 60), ...every(2, 50, 20)]
    expect(silenceIn(posts, LAST)).toEqual({ since: '2026-10-08', day: '2026-10-22', longest: 9 })
    expect(silenceIn(posts, '2026-10-21')).toBeUndefined()
    expect(silenceIn(posts, '2026-10-22')).toBeDefined()
  })
  it('is a week at least, and of somebody who posts', () => {
    const daily = every(1, 60, 7)
    expect(silenceIn(daily, LAST)).toMatchObject({ day: LAST, longest: 0 })
    expect(silenceIn(daily, addDays(LAST, -1))).toBeUndefined()
    expect(silenceIn(every(1, 60, 42), LAST)).toBeUndefined()
    expect(silenceIn([], LAST)).toBeUndefined()
  })
  it('looks at what is known up to the day, and at a year before the last post', () => {
    const old = every(30, 700, 400)
    const posts = [...old, ...every(2, 100, 20)]
    expect(silenceIn(posts, LAST)).toMatchObject({ longest: 1 })
    expect(silenceIn([...posts, post(1)], addDays(LAST, -2))).toMatchObject({ since: '2026-10-08' })
    expect(silenceIn([...posts, post(1)], LAST)).toBeUndefined()
  })
  it('is hardly ever said of somebody who posts by chance at a steady pace', () => {
    const { draw } = draws(7)
    const WORLDS = 200
    let said = 0
    for (let world = 0; world < WORLDS; world++) {
      const days = Array.from({ length: 730 }, (_, ago) => 729 - ago).filter(() => draw() < 2 / 7)
      const posts = days.map((ago) => post(ago))
      // at the end of each pause of the last year
      for (const next of [...days.filter((ago) => ago < 364), -1])
        if (silenceIn(posts, addDays(LAST, -next - 1))) said++
    }
    // one in eight years, give or take three standard errors
    expect(said / WORLDS).toBeLessThan(0.125 + 3 * Math.sqrt(0.125 / WORLDS))
    expect(said).toBeGreaterThan(0)
  })
})

describe('new hashtags', () => {
  const past = every(7, 380, 30, () => ({ text: 'Good morning #everyday' }))
  it('stand in three posts of four weeks, and in none of the year before', () => {
    const posts = [...past, ...[20, 12, 6, 2].map((ago) => post(ago, { text: 'Look #Swap #everyday' }))]
    expect(newHashtags(posts, LAST)).toEqual([{ tag: 'swap', from: '2026-10-08', day: '2026-10-22' }])
    expect(newHashtags(posts.slice(0, -2), LAST)).toEqual([])
    expect(newHashtags([...posts, post(100, { text: '#swap' })], LAST)).toEqual([])
    // what was used longer ago than a year before those weeks counts as new
    expect(newHashtags([...posts, post(393, { text: '#swap' })], LAST)).toHaveLength(1)
  })
  it('are not told of somebody who is known for half a year or less, or hardly posts', () => {
    const fresh = [20, 12, 6].map((ago) => post(ago, { text: '#swap' }))
    expect(newHashtags([...every(7, 200, 30), ...fresh], LAST)).toEqual([])
    expect(newHashtags([...every(7, 205, 30), ...every(1, 208, 208), ...fresh], LAST)).toEqual([])
    expect(newHashtags([...every(7, 210, 30), ...fresh], LAST)).toHaveLength(1)
    expect(newHashtags([...every(20, 380, 30), ...fresh], LAST)).toEqual([])
  })
})
