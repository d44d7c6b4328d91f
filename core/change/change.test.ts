import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Figure } from '../figures/figure'
import { changeOf } from './change'

const coverage = { expected: 1, present: 1, partial: [], unreported: [] }
const exact = (metric: string, value: number, observations = Math.abs(value)): Figure => ({ metric, value, exactness: 'exact', observations, coverage })
const range = (low: number, high?: number): Figure => ({ metric: 'reach', low, high, exactness: 'bounded', observations: low, coverage })

describe('the change of two figures', () => {
  it('has a direction, a difference and a share of what was', () => {
    expect(changeOf(exact('impressions', 412_806), exact('impressions', 348_655))).toMatchObject({ direction: 'up', difference: 64_151, judgement: 'better', small: false, approximate: false })
    expect(changeOf(exact('impressions', 412_806), exact('impressions', 348_655)).relative).toBeCloseTo(0.184, 3)
    expect(changeOf(exact('lost_followers', 60), exact('lost_followers', 40))).toMatchObject({ direction: 'up', judgement: 'worse' })
    expect(changeOf(exact('posts', 60), exact('posts', 40))).toMatchObject({ direction: 'up', judgement: 'neutral' })
    expect(changeOf(exact('impressions', 5), exact('impressions', 5))).toMatchObject({ direction: 'same', judgement: 'neutral' })
  })

  it('marks a small base: two people who became four are no news', () => {
    expect(changeOf(exact('followers_net', 4), exact('followers_net', 2))).toMatchObject({ small: true, relative: 1 })
    expect(changeOf(exact('followers_net', 40), exact('followers_net', 29))).toMatchObject({ small: true })
    expect(changeOf(exact('followers_net', 40), exact('followers_net', 30))).toMatchObject({ small: false })
    expect(changeOf(exact('click_rate', 0.5, 12), exact('click_rate', 0.4, 900))).toMatchObject({ small: true })
  })

  it('has no percentage of nothing, or of less than nothing', () => {
    expect(changeOf(exact('followers_net', 7), exact('followers_net', 0))).not.toHaveProperty('relative')
    expect(changeOf(exact('followers_net', 7), exact('followers_net', -5))).toMatchObject({ difference: 12, direction: 'up' })
    expect(changeOf(exact('followers_net', 7), exact('followers_net', -5))).not.toHaveProperty('relative')
  })

  it('never compares two different rates', () => {
    expect(() => changeOf(exact('engagement_by_reach', 0.1), exact('engagement_by_followers', 0.1))).toThrow('cannot be compared')
  })

  it('says which figure is missing', () => {
    const none: Figure = { metric: 'reach', exactness: 'exact', reason: 'no data', observations: 0, coverage }
    expect(changeOf(none, range(1, 2)).reason).toBe('There is no figure for the period.')
    expect(changeOf(range(1, 2), none).reason).toBe('There is no figure for the comparison.')
  })

  it('of ranges contains every change that could have been', () => {
    const side = fc.tuple(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 0, max: 9999 }), fc.double({ min: 0, max: 1, noNaN: true }))
    fc.assert(fc.property(side, side, ([low, width, at], [low2, width2, at2]) => {
      const [to, from] = [low + at * width, low2 + at2 * width2]
      const change = changeOf(range(low, low + width), range(low2, low2 + width2))
      expect(change.low!).toBeLessThanOrEqual(to / from - 1 + 1e-9)
      expect(change.high!).toBeGreaterThanOrEqual(to / from - 1 - 1e-9)
      if (change.direction === 'up') expect(to).toBeGreaterThan(from)
      if (change.direction === 'down') expect(to).toBeLessThan(from)
    }))
  })

  it('of a range without an upper end knows only a rise', () => {
    expect(changeOf(range(500), range(100, 200))).toMatchObject({ direction: 'up', low: 1.5 })
    expect(changeOf(range(500), range(100, 200))).not.toHaveProperty('high')
    expect(changeOf(range(50, 80), range(100))).toMatchObject({ direction: 'down' })
  })
})
