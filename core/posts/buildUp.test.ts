import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildUp, isGap, timeToHalf, usualBuildUp, valueAtAge } from './buildUp'

const PUBLISHED = new Date('2026-10-01T08:00:00Z')
const after = (hours: number) => new Date(PUBLISHED.getTime() + hours * 3_600_000)

describe('how a post built up', () => {
  it('begins with nothing, in the order of its looks', () => {
    expect(
      buildUp(PUBLISHED, [
        { at: after(3), value: 30 },
        { at: after(-1), value: 99 },
        { at: after(1), value: 10 },
        { at: after(2), value: null },
      ]),
    ).toEqual([
      { hours: 0, value: 0 },
      { hours: 1, value: 10 },
      { hours: 3, value: 30 },
    ])
    expect(buildUp(PUBLISHED, [])).toEqual([])
  })

  it('is read off between two looks, never in a gap nor beyond them', () => {
    const points = buildUp(PUBLISHED, [
      { at: after(4), value: 8 },
      { at: after(30), value: 20 },
      { at: after(54), value: 26 },
    ])
    expect([0, 1, 4, 10, 30, 42, 54, 55].map((hours) => valueAtAge(points, hours))).toEqual([
      0,
      2,
      8,
      undefined,
      20,
      23,
      26,
      undefined,
    ])
  })

  it.each([
    [0, 6, false],
    [0, 6.1, true],
    [24, 48, false],
    [24, 49, true],
    [200, 368, false],
  ])('from %s to %s hours is a gap: %s', (from, to, expected) => expect(isGap(from, to)).toBe(expected))
})

describe('the time to half', () => {
  // three posts by pencil: 100 at 8 hours, half of it is 50, a sixth of the way from 40 to 100, so 3 hours;
  // 12 at 2 hours, half of it at 1; 60 found only after a day: somewhere before
  it.each([
    [[2, 40], [8, 100], { low: 3, high: 3 }],
    [[2, 12], [3, 12], { low: 1, high: 1 }],
    [[24, 60], [48, 60], { low: 0, high: 24 }],
  ])('of %j and %j is %j', (first, second, expected) => {
    const looks = [first, second].map(([hours, value]) => ({ at: after(hours as number), value: value as number }))
    expect(timeToHalf(buildUp(PUBLISHED, looks))).toEqual(expected)
  })

  it('is none of nothing', () => {
    expect(timeToHalf([])).toBeUndefined()
    expect(timeToHalf(buildUp(PUBLISHED, [{ at: after(2), value: 0 }]))).toBeUndefined()
  })

  it('lies where half of it is read off, whatever the looks', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 1, maxLength: 30 }), (more) => {
        let sum = 0
        const points = buildUp(
          PUBLISHED,
          more.map((value, index) => ({ at: after(index + 1), value: (sum += value) })),
        )
        const half = timeToHalf(points)
        if (sum === 0) expect(half).toBeUndefined()
        else expect(valueAtAge(points, half!.low)).toBeCloseTo(sum / 2, 6)
      }),
    )
  })
})

it('what is usual is the middle half at each age, where enough are known', () => {
  const post = (at1: number, at2?: number) =>
    buildUp(PUBLISHED, [{ at: after(1), value: at1 }, ...(at2 === undefined ? [] : [{ at: after(2), value: at2 }])])
  const posts = [post(1, 10), post(2, 20), post(3, 30), post(4, 40), post(5)]
  expect(usualBuildUp(posts, [1, 2], 5)).toEqual([{ hours: 1, lower: 2, middle: 3, upper: 4, posts: 5 }])
  expect(usualBuildUp(posts, [2], 4)).toEqual([{ hours: 2, lower: 17.5, middle: 25, upper: 32.5, posts: 4 }])
})
