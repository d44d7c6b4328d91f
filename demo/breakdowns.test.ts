import { describe, expect, it } from 'vitest'
import { addDays } from '../core/days/day'
import { timesBounds } from '../core/breakdowns/timesBounds'
import { TIMES } from '../core/breakdowns/breakdowns'
import { PROFILES } from './profiles'
import { breakdownsOf, portions, timesOf } from './breakdowns'
import { volumeOf } from './volume'
import { world } from './world'

const anchor = '2026-10-28'
const day = '2026-09-15'
const { profileDay } = world(anchor)
const of = (handle: string, network: string) => {
  const profile = PROFILES.find((one) => one.handle === handle && one.network === network)!
  const dayOf = (asked: string) => profileDay(profile, asked, anchor)
  return { figures: dayOf(day)!, parts: breakdownsOf(profile, day, dayOf) }
}
const sum = (parts: { breakdown: string; value: number }[], breakdown: string) =>
  parts.filter((part) => part.breakdown === breakdown).reduce((all, { value }) => all + value, 0)

describe('the parts that networks give', () => {
  it('add up to their whole where each counts once', () => {
    const { figures, parts } = of('mossgategardens', 'commons')
    expect(sum(parts, 'impressions_by_source')).toBe(figures.impressions)
    expect(sum(of('@mossgate', 'tintype').parts, 'impressions_by_follower')).toBe(
      of('@mossgate', 'tintype').figures.impressions,
    )
  })
  it('are more than the reach where people overlap, each part no more than it', () => {
    const { figures, parts } = of('mossgategardens', 'commons')
    expect(sum(parts, 'reach_by_source')).toBeGreaterThanOrEqual(figures.reach_1d!)
    expect(
      Math.max(...parts.filter(({ breakdown }) => breakdown === 'reach_by_source').map(({ value }) => value)),
    ).toBeLessThanOrEqual(figures.reach_1d!)
  })
  it('say of followers on Sundays whom they are, where there are enough', () => {
    const on = (asked: string, handle = '@orrerypress', network = 'tintype') =>
      breakdownsOf(PROFILES.find((one) => one.handle === handle && one.network === network)!, asked, (day) =>
        profileDay(PROFILES.find((one) => one.handle === handle && one.network === network)!, day, anchor),
      ).filter(({ breakdown }) => breakdown === 'followers_by_country')
    expect(on('2026-09-15')).toEqual([])
    const sunday = on('2026-09-13')
    // twelve countries, most of them five hours west
    expect(sunday).toHaveLength(12)
    const west = sunday.filter(({ part }) => ['US', 'CA'].includes(part)).reduce((all, { value }) => all + value, 0)
    expect(west / sunday.reduce((all, { value }) => all + value, 0)).toBeGreaterThan(0.4)
  })
  it(
    'say of an hour how many were there: most in the evening, of the magazine’s readers five hours later, and ' +
      'nothing of an hour that the clock leaves out',
    () => {
      const hours = (handle: string, asked: string) => {
        const profile = PROFILES.find((one) => one.handle === handle && one.network === 'tintype')!
        return breakdownsOf(profile, asked, (on) => profileDay(profile, on, anchor)).filter(
          ({ breakdown }) => breakdown === 'followers_by_hour',
        )
      }
      const fullest = (handle: string) => Number(hours(handle, day).sort((a, b) => b.value - a.value)[0]!.part)
      expect([18, 19, 20, 21, 22]).toContain(fullest('@mossgate'))
      expect([23, 0, 1, 2, 3]).toContain(fullest('@orrerypress'))
      expect(hours('@mossgate', day)).toHaveLength(24)
      expect(hours('@mossgate', '2026-03-29').map(({ part }) => part)).not.toContain('1')
      expect(hours('@mossgate', '2026-03-29')).toHaveLength(23)
      expect(hours('@mossgate', '2026-10-25')).toHaveLength(24)
    },
  )
  it('nest where one is a part of the other', () => {
    const far = of('mossgatefilms', 'lantern')
      .parts.filter(({ breakdown }) => breakdown === 'views_by_progress')
      .map(({ value }) => value)
    expect(far).toHaveLength(5)
    expect([...far].sort((a, b) => b - a)).toEqual(far)
    expect([far[0], far[4]]).toEqual([
      of('mossgatefilms', 'lantern').figures.views,
      of('mossgatefilms', 'lantern').figures.completed_views,
    ])
  })
  it('give a listing its searches, views and calls', () => {
    const { figures, parts } = of('kittiwake-north-pier', 'waymark')
    expect([
      sum(parts, 'searches_by_kind'),
      sum(parts, 'listing_views_by_surface'),
      sum(parts, 'calls_by_hour'),
    ]).toEqual([figures.searches, figures.listing_views, figures.calls])
  })
  it('are kept back below the minimum', () => {
    expect(sum(of('teaatmossgate', 'commons').parts, 'followers_by_origin')).toBe(0)
    expect(sum(of('@mossgate', 'tintype').parts, 'followers_by_origin')).toBe(
      of('@mossgate', 'tintype').figures.new_followers,
    )
  })
  it('keep the mean of people by times at the frequency', () => {
    const counts = timesOf(10_000, 2.4)
    expect(counts.reduce((all, count) => all + count, 0)).toBe(10_000)
    expect(timesBounds(new Map(TIMES.map(({ id }, index) => [id, counts[index]!])))!.low).toBeLessThan(2.4)
    expect(timesOf(50, 1)).toEqual([50, 0, 0, 0, 0])
  })
  it('are whole numbers that add up', () => {
    expect(portions(10, [1, 1, 1])).toEqual([4, 3, 3])
    expect(portions(5, [0, 0])).toEqual([1, 1])
  })
})

it('the volume of a network is the same whenever it is asked for, and follows its tide', () => {
  expect(volumeOf('murmur', day, anchor)).toEqual(volumeOf('murmur', day, anchor))
  const week = (end: string) =>
    Array.from({ length: 28 }, (_, back) => volumeOf('murmur', addDays(end, -back), anchor).interactions).reduce(
      (all, value) => all + value,
      0,
    )
  expect(week(anchor) / week(addDays(anchor, -28))).toBeCloseTo(0.84, 1)
})
