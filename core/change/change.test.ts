import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Figure } from '../figures/figure'
import { againstUsual, byTheDay, changeOf, type Change } from './change'
import { usualOf } from './usual'

const coverage = { expected: 1, present: 1, partial: [], unreported: [] }
const exact = (metric: string, value: number, observations = Math.abs(value)): Figure => ({
  metric,
  value,
  exactness: 'exact',
  observations,
  coverage,
})
const range = (low: number, high?: number): Figure => ({
  metric: 'reach',
  low,
  high,
  exactness: 'bounded',
  observations: low,
  coverage,
})

describe('the change of two figures', () => {
  it('has a direction, a difference and a share of what was', () => {
    expect(changeOf(exact('impressions', 412_806), exact('impressions', 348_655))).toMatchObject({
      direction: 'up',
      difference: 64_151,
      judgement: 'better',
      small: false,
      approximate: false,
    })
    expect(changeOf(exact('impressions', 412_806), exact('impressions', 348_655)).relative).toBeCloseTo(0.184, 3)
    expect(changeOf(exact('lost_followers', 60), exact('lost_followers', 40))).toMatchObject({
      direction: 'up',
      judgement: 'worse',
    })
    expect(changeOf(exact('posts', 60), exact('posts', 40))).toMatchObject({ direction: 'up', judgement: 'neutral' })
    expect(changeOf(exact('impressions', 5), exact('impressions', 5))).toMatchObject({
      direction: 'same',
      judgement: 'neutral',
    })
  })

  it('marks a small base: two people who became four are no news', () => {
    expect(changeOf(exact('followers_net', 4), exact('followers_net', 2))).toMatchObject({ small: true, relative: 1 })
    expect(changeOf(exact('followers_net', 40), exact('followers_net', 29))).toMatchObject({ small: true })
    expect(changeOf(exact('followers_net', 40), exact('followers_net', 30))).toMatchObject({ small: false })
    expect(changeOf(exact('click_rate', 0.5, 12), exact('click_rate', 0.4, 900))).toMatchObject({ small: true })
  })

  it('has no percentage of nothing, or of less than nothing', () => {
    expect(changeOf(exact('followers_net', 7), exact('followers_net', 0))).not.toHaveProperty('relative')
    expect(changeOf(exact('followers_net', 7), exact('followers_net', -5))).toMatchObject({
      difference: 12,
      direction: 'up',
    })
    expect(changeOf(exact('followers_net', 7), exact('followers_net', -5))).not.toHaveProperty('relative')
  })

  it('never compares two different rates', () => {
    expect(() => changeOf(exact('engagement_by_reach', 0.1), exact('engagement_by_followers', 0.1))).toThrow(
      'cannot be compared',
    )
  })

  it('says which figure is missing', () => {
    const none: Figure = { metric: 'reach', exactness: 'exact', reason: 'no data', observations: 0, coverage }
    expect(changeOf(none, range(1, 2)).reason).toBe('There is no figure for the period.')
    expect(changeOf(range(1, 2), none).reason).toBe('There is no figure for the comparison.')
  })

  it('of ranges contains every change that could have been', () => {
    const side = fc.tuple(
      fc.integer({ min: 1, max: 9999 }),
      fc.integer({ min: 0, max: 9999 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
    )
    fc.assert(
      fc.property(side, side, ([low, width, at], [low2, width2, at2]) => {
        const [to, from] = [low + at * width, low2 + at2 * width2]
        const change = changeOf(range(low, low + width), range(low2, low2 + width2))
        expect(change.low!).toBeLessThanOrEqual(to / from - 1 + 1e-9)
        expect(change.high!).toBeGreaterThanOrEqual(to / from - 1 - 1e-9)
        if (change.direction === 'up') expect(to).toBeGreaterThan(from)
        if (change.direction === 'down') expect(to).toBeLessThan(from)
      }),
    )
  })

  it('of a range without an upper end knows only a rise', () => {
    expect(changeOf(range(500), range(100, 200))).toMatchObject({ direction: 'up', low: 1.5 })
    expect(changeOf(range(500), range(100, 200))).not.toHaveProperty('high')
    expect(changeOf(range(50, 80), range(100))).toMatchObject({ direction: 'down' })
  })
})

describe('a change that may be nothing', () => {
  const counted = (value: number): Figure => ({
    ...exact('followers_net', value),
    interval: { low: value - 48, high: value + 48 },
  })

  it('is not judged: 671 from 672 is no fall', () => {
    expect(changeOf(counted(671), counted(672))).toMatchObject({
      direction: 'down',
      isUnclear: true,
      judgement: 'neutral',
    })
    expect(changeOf(counted(371), counted(672))).toMatchObject({ direction: 'down', judgement: 'worse' })
    expect(changeOf(counted(371), counted(672))).not.toHaveProperty('isUnclear')
  })

  it.each([
    [0, 100, 24, 124, true],
    [0, 100, 26, 126, false],
    [40, 60, 0, 100, true],
    [40, 60, 50, 100, false],
    [0, 100, 101, 200, false],
  ])('of ranges %d–%d and %d–%d is unclear: %s', (low, high, low2, high2, isUnclear) => {
    expect(changeOf(range(low2, high2), range(low, high)).isUnclear ?? false).toBe(isUnclear)
  })

  it('of estimates whose ranges are almost the same is unclear, whatever the guesses say', () => {
    const estimate = (value: number): Figure => ({
      metric: 'reach',
      value,
      low: 100,
      high: 300,
      exactness: 'estimated',
      observations: value,
      coverage,
    })
    expect(changeOf(estimate(250), estimate(150))).toMatchObject({
      direction: 'up',
      isUnclear: true,
      judgement: 'neutral',
      approximate: true,
    })
  })

  it('of what is counted without chance, such as followers, is clear however small', () => {
    expect(changeOf(exact('followers', 24_882), exact('followers', 24_881))).toMatchObject({
      direction: 'up',
      judgement: 'better',
    })
  })

  it('is in points between ranges of a rate too', () => {
    const rate = (low: number, high: number): Figure => ({
      metric: 'engagement_by_reach',
      low,
      high,
      exactness: 'bounded',
      observations: 500,
      coverage,
    })
    const { differenceLow, differenceHigh } = changeOf(rate(0.11, 0.12), rate(0.07, 0.09))
    expect([differenceLow, differenceHigh].map((value) => Math.round(value! * 1000))).toEqual([20, 50])
  })
})

describe('what is usual', () => {
  const pairs = (...tos: number[]) => tos.map((to) => ({ from: 100, to }))

  it('is where four of five lie by median and median absolute deviation, on the scale of logarithms', () => {
    // ln(to/100): median 0, absolute deviations ln 2 eight times and 0 four times: their median is ln 2
    const usual = usualOf(pairs(200, 200, 200, 200, 50, 50, 50, 50, 100, 100, 100, 100), 'relative')!
    expect(usual.count).toBe(12)
    // Student's t at 0.9 with five degrees of freedom is 1.4759 (Abramowitz & Stegun 1964, table 26.10)
    const half = 1.4759 * Math.sqrt(1 + Math.PI / 24) * 1.4826 * Math.LN2
    expect(Math.log(1 + usual.high)).toBeCloseTo(half, 2)
    expect(Math.log(1 + usual.low)).toBeCloseTo(-Math.log(1 + usual.high), 9)
  })

  it('needs a dozen comparisons, leaves out what has no ratio, and is in differences where values can be below zero', () => {
    expect(usualOf(pairs(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11), 'relative')).toBeUndefined()
    expect(usualOf([...pairs(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11), { from: 0, to: 5 }], 'relative')).toBeUndefined()
    expect(
      usualOf(
        Array.from({ length: 12 }, () => ({ from: -5, to: 3 })),
        'difference',
      ),
    ).toMatchObject({ low: 8, high: 8, count: 12 })
  })

  it('is not moved by one storm', () => {
    const calm = Array.from({ length: 12 }, (_, index) => 95 + index)
    expect(usualOf(pairs(...calm, 10), 'relative')!.low).toBeGreaterThan(-0.1)
  })

  it('takes the judgement away from a change within it, and from no other', () => {
    const change: Change = { ...changeOf(exact('impressions', 110), exact('impressions', 100)) }
    expect(change.judgement).toBe('better')
    expect(againstUsual(change, { scale: 'relative', low: -0.2, high: 0.15, count: 12 })).toMatchObject({
      judgement: 'neutral',
      usual: { isWithin: true },
    })
    expect(againstUsual(change, { scale: 'relative', low: -0.2, high: 0.05, count: 12 })).toMatchObject({
      judgement: 'better',
      usual: { isWithin: false },
    })
    expect(againstUsual(change, undefined)).toBe(change)
  })
})

describe('periods that are not equally long', () => {
  it('are read by the day, and only judged where the whole and the day agree', () => {
    const longer = byTheDay(
      changeOf(exact('impressions', 3100), exact('impressions', 3060)),
      { now: 31, then: 30 },
      'impressions',
    )
    expect(longer).toMatchObject({ direction: 'up', judgement: 'neutral', perDay: { to: 100, from: 102 } })
    expect(longer.perDay!.relative).toBeCloseTo(100 / 102 - 1, 12)
    expect(
      byTheDay(changeOf(exact('impressions', 3410), exact('impressions', 3000)), { now: 31, then: 30 }, 'impressions'),
    ).toMatchObject({ judgement: 'better', perDay: { to: 110, from: 100 } })
  })
})
