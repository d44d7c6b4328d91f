import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { factTable } from '../rollup/factTable'
import { carriedLevels } from './carriedLevels'
import { dailyPoints } from './dailyPoints'
import { dayTotalsOf } from './dayTotalsOf'
import { indexed } from './indexed'
import { missingRanges } from './missingRanges'

const period = { from: '2026-10-01', to: '2026-10-03' }

describe('lines over time', () => {
  it('keeps a day without data in its place, without a value', () => {
    const points = dailyPoints('impressions', period, [{ day: '2026-10-02', sums: { impressions: 5 }, counts: { impressions: 2 } }])
    expect(points).toEqual([{ day: '2026-10-01', present: 0 }, { day: '2026-10-02', value: 5, present: 2 }, { day: '2026-10-03', present: 0 }])
  })

  it('estimates daily reach over profiles and never adds it', () => {
    const [point] = dailyPoints('reach', { from: '2026-10-01', to: '2026-10-01' }, [{ day: '2026-10-01', sums: {}, counts: {}, people: { reach: { largest: 40, sum: 70, count: 2, logMissed: Math.log(0.6) + Math.log(0.7) } } }], 100)
    expect(point).toMatchObject({ low: 40, high: 70 })
    expect(point!.value).toBeCloseTo(58, 10)
  })

  it('only bounds it where the universe is not known, and is exact for one profile', () => {
    const day = { day: '2026-10-01', sums: {}, counts: {} }
    const one = { from: '2026-10-01', to: '2026-10-01' }
    expect(dailyPoints('reach', one, [{ ...day, people: { reach: { largest: 40, sum: 70, count: 2 } } }])).toEqual([{ day: '2026-10-01', low: 40, high: 70, present: 2 }])
    expect(dailyPoints('reach', one, [{ ...day, people: { reach: { largest: 40, sum: 40, count: 1 } } }])).toEqual([{ day: '2026-10-01', value: 40, present: 1 }])
  })

  it('divides day by day for a rate, and carries the bounds the other way round', () => {
    const total = { day: '2026-10-01', sums: { reactions: 12, comments: 0 }, counts: { reactions: 2, comments: 2 }, people: { reach: { largest: 40, sum: 60, count: 2 } } }
    expect(dailyPoints('engagement_by_reach', { from: '2026-10-01', to: '2026-10-01' }, [total])).toEqual([{ day: '2026-10-01', low: 0.2, high: 0.3, present: 2 }])
  })

  it('subtracts what was lost', () => {
    const total = { day: '2026-10-01', sums: { new_followers: 9, lost_followers: 4 }, counts: { new_followers: 1, lost_followers: 1 } }
    expect(dailyPoints('followers_net', { from: '2026-10-01', to: '2026-10-01' }, [total])[0]!.value).toBe(5)
  })
})

describe('missing days', () => {
  it('joins days that follow each other', () => {
    expect(missingRanges(period, ['2026-10-01'])).toEqual([{ from: '2026-10-02', to: '2026-10-03' }])
    expect(missingRanges(period, ['2026-10-02'])).toEqual([{ from: '2026-10-01', to: '2026-10-01' }, { from: '2026-10-03', to: '2026-10-03' }])
    expect(missingRanges(period, ['2026-10-01', '2026-10-02', '2026-10-03'])).toEqual([])
  })
})

describe('an index', () => {
  it('is 100 on the first day with a value above zero', () => {
    expect(indexed([null, 0, 40, 50, null, 20])).toEqual({ values: [null, null, 100, 125, null, 50], base: 2 })
  })
  it('is not there when nothing is above zero', () => expect(indexed([null, 0])).toEqual({ values: [null, null], base: undefined }))
})

describe('a level over a gap', () => {
  const row = (profile: number, day: string, followers: number | null) => ({ profile, day, followers })

  it('stays what it was for a week, and then is not known', () => {
    const table = factTable([row(1, '2026-09-30', 100), row(1, '2026-10-02', null), row(2, '2026-10-01', 40), row(2, '2026-10-03', 44)])
    const { sums, counts } = carriedLevels(table, { from: '2026-10-01', to: '2026-10-09' }, 'followers')
    expect([...sums]).toEqual([140, 140, 144, 144, 144, 144, 144, 44, 44])
    expect([...counts]).toEqual([2, 2, 2, 2, 2, 2, 2, 1, 1])
  })

  it('makes no fall in the line of a scope, while a flow of that day is missing', () => {
    const table = factTable([{ ...row(1, '2026-10-01', 100), posts: 1 }, { ...row(2, '2026-10-01', 40), posts: 1 }, { ...row(2, '2026-10-02', 41), posts: 2 }])
    const totals = dayTotalsOf(table, { from: '2026-10-01', to: '2026-10-03' }, ['followers', 'posts'])
    expect(totals.map(({ sums }) => sums)).toEqual([{ followers: 140, posts: 2 }, { followers: 141, posts: 2 }, { followers: 141 }])
    expect(totals.map(({ counts }) => counts.posts)).toEqual([2, 1, 0])
  })
})

describe('day totals of a table that was asked before', () => {
  it('are those of a new one, for every period and universe', () => {
    const rows = Array.from({ length: 60 }, (_, index) => ({ profile: 1 + (index % 3), day: addDays('2026-09-01', Math.floor(index / 3)), impressions: index % 7 === 0 ? null : index, followers: index % 5 === 0 ? null : 100 + index, reach_1d: 10 + index }))
    const table = factTable(rows)
    const periods = [{ from: '2026-09-03', to: '2026-09-10' }, { from: '2026-08-20', to: '2026-09-02' }, { from: '2026-09-19', to: '2026-10-05' }, { from: '2026-01-01', to: '2026-01-03' }]
    for (const universe of [undefined, 1000, 5000, undefined]) {
      for (const asked of periods) expect(dayTotalsOf(table, asked, ['impressions', 'followers', 'reach_1d'], universe)).toEqual(dayTotalsOf(factTable(rows), asked, ['impressions', 'followers', 'reach_1d'], universe))
    }
    expect(dayTotalsOf(table, periods[0]!, ['reach_1d'], 1000)[0]!.people!.reach!.logMissed).not.toBe(dayTotalsOf(table, periods[0]!, ['reach_1d'], 5000)[0]!.people!.reach!.logMissed)
    // the last levels of 20 September are carried on for a week, and the flows are not
    expect(dayTotalsOf(table, periods[2]!, ['impressions', 'followers']).map(({ day, counts }) => [day, counts.impressions, counts.followers]).at(-1)).toEqual(['2026-09-27', 0, 3])
  })
})
