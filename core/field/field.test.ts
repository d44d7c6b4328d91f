import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { growthOver, weeklyGrowth, weeklyGrowths } from './growth'
import { HORIZON_WEEKS, overtaking } from './overtaking'
import { formatSeparation, separation } from './separation'
import { standings, typicalBand } from './standings'

describe('standings', () => {
  it('share a rank where they are alike, and have an index to the median', () => {
    expect(standings([10, undefined, 30, 10, 20])).toEqual([
      { rank: 3, index: (100 * 10) / 15 },
      undefined,
      { rank: 1, index: 200 },
      { rank: 3, index: (100 * 10) / 15 },
      { rank: 2, index: (100 * 20) / 15 },
    ])
  })
  it('of a field of one, of none, and of nothing but zeros', () => {
    expect(standings([7])).toEqual([{ rank: 1, index: 100 }])
    expect(standings([])).toEqual([])
    expect(standings([0, 0])).toEqual([{ rank: 1 }, { rank: 1 }])
    expect(typicalBand([1, 2])).toBeUndefined()
    expect(typicalBand([1, undefined, 3, 2])).toEqual({ lower: 1.5, middle: 2, upper: 2.5 })
  })
})

describe('weekly growth', () => {
  const days = (values: Record<number, number>, length = 15) =>
    Float64Array.from({ length }, (_, day) => values[day] ?? Number.NaN)
  it('goes from week to week, back from the last day', () => {
    expect(weeklyGrowths([days({ 0: 100, 7: 110, 14: 99 })])).toEqual([Math.log(1.1), Math.log(0.9)])
  })
  it('counts a profile only in weeks that it has both ends of', () => {
    const [old, fresh] = [days({ 0: 100, 7: 110, 14: 121 }), days({ 7: 50, 14: 60 })]
    expect(weeklyGrowths([old, fresh])).toEqual([Math.log(1.1), Math.log(181 / 160)])
  })
  it('is not known of a week without a level, and needs eight weeks', () => {
    expect(weeklyGrowths([days({ 0: 100, 14: 121 })])).toEqual([undefined, undefined])
    expect(weeklyGrowths([])).toEqual([])
    expect(weeklyGrowth([...Array<number>(7).fill(0.01), undefined])).toBeUndefined()
    expect(weeklyGrowth(Array<number>(8).fill(0.01))).toMatchObject({ mean: expect.closeTo(0.01, 12), weeks: 8 })
  })
  it('compounds, with an interval of its pace', () => {
    const pace = weeklyGrowth([0, 0.02, 0, 0.02, 0, 0.02, 0, 0.02])!
    // the deviation of each is 0.01: √(8 × 0.0001 / 7); the t quantile of 0.9 with 7 degrees is 1.4149
    const reach = (1.4149 * Math.sqrt(0.0008 / 7)) / Math.sqrt(8)
    const { value, low, high } = growthOver(pace, 4)
    expect(value).toBeCloseTo(Math.exp(0.04) - 1, 12)
    expect(low).toBeCloseTo(Math.exp(4 * (0.01 - reach)) - 1, 5)
    expect(high).toBeCloseTo(Math.exp(4 * (0.01 + reach)) - 1, 5)
  })
})

describe('overtaking', () => {
  it('is the gap over the pace: ln 5.27 ÷ (0.0148 − 0.0042)', () => {
    const weeks = overtaking(Array<number>(26).fill(0.0148), Array<number>(26).fill(0.0042), 5.27)!
    expect(weeks.weeks).toBeCloseTo(156.8, 1)
    expect(weeks).not.toHaveProperty('from')
    const sure = overtaking(Array<number>(26).fill(0.03), Array<number>(26).fill(0.01), 1.5)!
    // 0.405 / 0.02 = 20.3 weeks; without spread both ends are the first whole week after it
    expect(sure).toMatchObject({ from: 21, to: 21 })
  })
  it('is no answer where the smaller one is no faster, and not known of a few weeks', () => {
    expect(overtaking(Array<number>(26).fill(0.01), Array<number>(26).fill(0.02), 2)).toEqual({
      pace: expect.closeTo(-0.01, 12),
    })
    expect(overtaking(Array<number>(7).fill(0.01), Array<number>(7).fill(0), 2)).toBeUndefined()
    expect(overtaking([0.1, ...Array<undefined>(25)], Array<number>(26).fill(0), 2)).toBeUndefined()
    expect(() => overtaking([], [], 0.5)).toThrow('not the larger one')
  })

  it('holds its stated 80 % over 600 made followings whose pace is known', () => {
    // a linear congruential generator (Numerical Recipes), and sums of twelve draws for what is normal
    let state = 20261127
    const draw = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
    const normal = () => Array.from({ length: 12 }, draw).reduce((sum, each) => sum + each, -6)
    let [early, late, tried] = [0, 0, 0]
    for (let world = 0; world < 600; world++) {
      const [pace, spread, gap] = [0.012 + 0.01 * draw(), 0.01 + 0.015 * draw(), 0.25 + 0.3 * draw()]
      const past = Array.from({ length: 26 }, () => pace + spread * normal())
      const said = overtaking(past, Array<number>(26).fill(0), Math.exp(gap))!
      // what is said of a week: whether the gap is closed then
      let closed = 0
      const path = Array.from({ length: HORIZON_WEEKS + 1 }, (_, week) =>
        week === 0 ? 0 : (closed += pace + spread * normal()),
      )
      if (said.from !== undefined && said.from > 0) early += path[said.from - 1]! >= gap ? 1 : 0
      if (said.to !== undefined) late += path[said.to]! < gap ? 1 : 0
      tried++
    }
    // at either end one in ten, give or take three standard errors of 600
    for (const missed of [early, late]) expect(missed / tried).toBeLessThan(0.1 + 3 * Math.sqrt(0.09 / 600))
    expect(early / tried).toBeGreaterThan(0.04)
    expect(late / tried).toBeGreaterThan(0.02)
  })
})

describe('what separates', () => {
  it('multiplies to the whole, and its parts add up to the difference', () => {
    expect(separation({ posts: 20, interactions: 400 }, { posts: 40, interactions: 600 })).toMatchObject({
      posts: 2,
      each: 0.75,
      together: 1.5,
    })
    const some = fc.integer({ min: 1, max: 100_000 })
    fc.assert(
      fc.property(some, some, some, some, (p, i, q, j) => {
        const { posts, each, together, parts } = separation(
          { posts: p, interactions: i },
          { posts: q, interactions: j },
        )!
        expect(posts * each).toBeCloseTo(together, 6)
        expect(Math.abs(parts.posts + parts.each - (j - i))).toBeLessThan(1e-6 * Math.max(i, j))
      }),
    )
  })
  it('is told per post by formats, worked by hand, and adds up', () => {
    // ours: 6 photos of 10 and 4 clips of 50, so 26 a post; theirs: 2 photos of 20 and 8 clips of 60, so 52
    const own = [
      { format: 'photo', posts: 6, interactions: 60 },
      { format: 'clip', posts: 4, interactions: 200 },
    ]
    const other = [
      { format: 'photo', posts: 2, interactions: 40 },
      { format: 'clip', posts: 8, interactions: 480 },
    ]
    const told = formatSeparation(own, other)!
    // weights of photos go from 0.6 to 0.2: −0.4 × (15 − 39) = 9.6, and +0.4 × (55 − 39) = 6.4 of clips
    expect(told.mix).toBeCloseTo(16, 9)
    // each format brings 10 more, whatever its weight
    expect(told.rate).toBeCloseTo(10, 9)
    expect([told.from, told.to]).toEqual([26, 52])
    expect(told.most.key).toBe('photo')
    expect(told.most.change).toBeCloseTo(9.6 + 4, 9)
    const output = fc
      .record({
        format: fc.constantFrom('photo', 'clip', 'text'),
        posts: fc.integer({ min: 0, max: 50 }),
        interactions: fc.integer({ min: 0, max: 5000 }),
      })
      // no post has brought nothing
      .map((each) => (each.posts === 0 ? { ...each, interactions: 0 } : each))
    fc.assert(
      fc.property(fc.array(output), fc.array(output), (ours, theirs) => {
        const any = formatSeparation(ours, theirs)
        if (any) expect(any.mix + any.rate).toBeCloseTo(any.to - any.from, 6)
      }),
    )
    expect(formatSeparation([{ format: 'clip', posts: 4, interactions: 9 }], other)).toBeUndefined()
    expect(formatSeparation(own, [])).toBeUndefined()
  })
  it('is not said of somebody who has not posted', () => {
    expect(separation({ posts: 0, interactions: 4 }, { posts: 2, interactions: 4 })).toBeUndefined()
    expect(separation({ posts: 2, interactions: 4 }, { posts: 2, interactions: 0 })).toBeUndefined()
  })
})
