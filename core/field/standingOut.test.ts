import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { memberLine, shareLines, type LineForm } from './memberLines'
import { sizeClassOf, sizeClassWords } from './sizeClasses'
import { growthTurns, standingOut } from './standingOut'

/** A linear congruential generator (Numerical Recipes), and sums of twelve draws for what is normal. */
function draws(seed: number) {
  let state = seed
  const draw = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
  return { normal: () => Array.from({ length: 12 }, draw).reduce((sum, each) => sum + each, -6) }
}
const weeks = (count: number, of: (week: number) => number | undefined) =>
  Array.from({ length: count }, (_, week) => of(week))

describe('classes of size', () => {
  it('begin at their first number of followers', () => {
    expect([0, 999, 1000, 9999, 10_000, 999_999, 5_000_000].map(sizeClassOf)).toEqual([0, 0, 1, 1, 2, 3, 4])
    expect(() => sizeClassOf(-1)).toThrow(RangeError)
    expect([0, 2, 4].map((place) => sizeClassWords(place, 'en-GB'))).toEqual([
      'fewer than 1,000 followers',
      '10,000 to 100,000 followers',
      '1,000,000 followers or more',
    ])
  })
})

describe('growth that stands out', () => {
  const { normal } = draws(31)
  const noisy = (pace: number, followers: number) => ({
    followers,
    growths: weeks(26, () => pace + 0.002 * normal()),
  })
  it('is told beside three others of its size, else beside all', () => {
    const members = [
      noisy(0.01, 5000),
      noisy(0.001, 6000),
      noisy(0.001, 7000),
      noisy(0.001, 8000),
      noisy(0.001, 40_000),
    ]
    const said = standingOut(members)
    expect(said.map((one) => [one?.is, one?.others, one?.ofSize])).toEqual([
      ['faster', 3, true],
      ['alike', 3, true],
      ['alike', 3, true],
      ['alike', 3, true],
      ['alike', 4, false],
    ])
    expect(said[0]!.middle).toBeCloseTo(0.001, 3)
  })
  it('is slower where it is slower, and is not told of few weeks or of two others', () => {
    const slow = [noisy(-0.01, 100), noisy(0.001, 100), noisy(0.001, 100), noisy(0.001, 100)]
    expect(standingOut(slow)[0]!.is).toBe('slower')
    expect(standingOut(slow.slice(0, 3))).toEqual([undefined, undefined, undefined])
    const short = slow.map(({ growths, ...one }) => ({
      ...one,
      growths: growths.map((g, i) => (i < 14 ? undefined : g)),
    }))
    expect(standingOut(short)).toEqual([undefined, undefined, undefined, undefined])
    // of one whose size is not known all others are its measure
    expect(standingOut([{ growths: slow[0]!.growths }, ...slow.slice(1)])[0]).toMatchObject({
      ofSize: false,
      is: 'slower',
    })
  })
  it('is chance in one field of ten at the most where all grow alike', () => {
    let fields = 0
    for (let world = 0; world < 300; world++)
      if (standingOut(Array.from({ length: 6 }, () => noisy(0.003, 5000))).some((one) => one!.is !== 'alike')) fields++
    // give or take three standard errors of 300
    expect(fields / 300).toBeLessThan(0.1 + 3 * Math.sqrt(0.09 / 300))
  })
})

describe('a change of growth', () => {
  it('is dated by its first week, with the pace before and after', () => {
    const growths = weeks(52, (week) => (week < 40 ? 0.001 : 0.01) + (week % 3) * 0.0001)
    expect(growthTurns([growths, weeks(52, () => 0.001)])).toEqual([
      { week: 40, before: expect.closeTo(0.0011, 9), after: expect.closeTo(0.0101, 9) },
      undefined,
    ])
    // weeks that are not known are no change
    const holed = weeks(52, (week) => (week === 39 || week === 12 ? undefined : week < 40 ? 0.001 : 0.01))
    expect(growthTurns([holed])[0]!.week).toBe(40)
    expect(growthTurns([growths.slice(33, 48)])).toEqual([undefined])
  })
  it('is chance in one field of ten at the most, and found where it is three deviations large', () => {
    const { normal } = draws(5)
    let [chance, found] = [0, 0]
    for (let world = 0; world < 300; world++) {
      if (growthTurns(Array.from({ length: 5 }, () => weeks(52, normal))).some(Boolean)) chance++
      const turn = growthTurns([weeks(52, (week) => normal() + (week < 39 ? 0 : 3))])[0]
      if (turn && Math.abs(turn.week - 39) <= 3) found++
    }
    expect(chance / 300).toBeLessThan(0.1 + 3 * Math.sqrt(0.09 / 300))
    expect(found / 300).toBeGreaterThan(0.85)
  })
})

describe('the line of a member', () => {
  const on = { name: 'Commons', values: [10, 20, 30, 40] }
  it('is the sum of its profiles, and broken where they are others', () => {
    const later = { name: 'Tintype', values: [undefined, undefined, 5, 10] }
    expect(memberLine([on, later], 'level')).toEqual({
      values: [10, 20, 35, 50],
      breaks: [{ week: 2, begins: ['Tintype'], ends: [] }],
    })
    // from week to week and beside the first one only what both weeks have
    expect(memberLine([on, later], 'change').values).toEqual([undefined, 1, 0.5, expect.closeTo(50 / 35 - 1, 12)])
    expect(memberLine([on, later], 'index').values).toEqual([100, 200, 300, 400])
    const gone = { name: 'Cork', values: [7, 7, undefined, undefined] }
    expect(memberLine([on, gone], 'level')).toEqual({
      values: [17, 27, 30, 40],
      breaks: [{ week: 2, begins: [], ends: ['Cork'] }],
    })
  })
  it('has no value where a profile of it is not known, and no change from nothing', () => {
    const holed = { name: 'Tintype', values: [1, undefined, 3, 4] }
    expect(memberLine([on, holed], 'level')).toEqual({ values: [11, undefined, 33, 44], breaks: [] })
    expect(memberLine([on, holed], 'change').values).toEqual([
      undefined,
      undefined,
      undefined,
      expect.closeTo(1 / 3, 12),
    ])
    expect(memberLine([{ name: 'a', values: [0, 5] }], 'change').values).toEqual([undefined, undefined])
    expect(memberLine([], 'level')).toEqual({ values: [], breaks: [] })
    expect(memberLine([{ name: 'a', values: [undefined, undefined] }], 'index')).toEqual({
      values: [undefined, undefined],
      breaks: [],
    })
  })
  it('moved from one network to another is two series: change and index end with the first', () => {
    const moved = [
      { name: 'Cork', values: [10, 11, undefined, undefined] },
      { name: 'Lantern', values: [undefined, undefined, 3, 6] },
    ]
    expect(memberLine(moved, 'level')).toEqual({
      values: [10, 11, 3, 6],
      breaks: [{ week: 2, begins: ['Lantern'], ends: ['Cork'] }],
    })
    expect(memberLine(moved, 'change').values).toEqual([undefined, expect.closeTo(0.1, 12), undefined, 1])
    expect(memberLine(moved, 'index').values).toEqual([100, expect.closeTo(110, 9), undefined, undefined])
  })
  it('of one profile without gaps is that profile, whatever it is', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 1e6 }), { minLength: 1, maxLength: 60 }), (values) => {
        const line = (form: Exclude<LineForm, 'share'>) => memberLine([{ name: 'a', values }], form).values
        expect(line('level')).toEqual(values)
        line('index').forEach((value, week) => expect(value).toBeCloseTo((100 * values[week]!) / values[0]!, 6))
        line('change')
          .slice(1)
          .forEach((value, week) => expect(value).toBeCloseTo(values[week + 1]! / values[week]! - 1, 9))
      }),
    )
  })
})

describe('shares of all', () => {
  const line = (...values: (number | undefined)[]) => ({ values, breaks: [] })
  it('are of those that have begun, in weeks in which all of them are known', () => {
    const broken = { values: [30, 30, 30, 0, 5], breaks: [{ week: 1, begins: ['Cork'], ends: [] }] }
    const told = shareLines([broken, line(10, undefined, 30, 0, undefined), line(undefined, undefined, 60, 0, 5)])
    expect(told.map(({ values }) => values)).toEqual([
      [0.75, undefined, 0.25, undefined, undefined],
      [0.25, undefined, 0.25, undefined, undefined],
      [undefined, undefined, 0.5, undefined, undefined],
    ])
    expect(told[0]!.breaks).toEqual(broken.breaks)
    expect(shareLines([line(undefined), line(4)]).map(({ values }) => values)).toEqual([[undefined], [1]])
    expect(shareLines([])).toEqual([])
  })
  it('are one together wherever there are any', () => {
    const week = fc.option(fc.integer({ min: 0, max: 1e6 }), { nil: undefined })
    fc.assert(
      fc.property(fc.array(fc.array(week, { minLength: 8, maxLength: 8 }), { minLength: 1, maxLength: 6 }), (all) => {
        const told = shareLines(all.map((values) => line(...values)))
        for (let at = 0; at < 8; at++) {
          const shares = told.flatMap(({ values }) => values[at] ?? [])
          if (shares.length > 0) expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
        }
      }),
    )
  })
})
