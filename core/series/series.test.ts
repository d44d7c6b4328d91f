import { describe, expect, it } from 'vitest'
import { FACT_COLUMNS } from '../metrics/storedFigures'
import type { Period } from '../periods/period'
import { aggregateTable } from '../rollup/aggregateTable'
import { denseDays } from '../rollup/denseDays'
import { factTable, type ProfileDay } from '../rollup/factTable'
import { carriedLevels } from './carriedLevels'
import { dailyPoints } from './dailyPoints'
import { indexed } from './indexed'
import { missingRanges } from './missingRanges'

const period = { from: '2026-10-01', to: '2026-10-03' }
const networks = new Map([
  [1, 'tintype'],
  [2, 'commons'],
  [3, 'murmur'],
])
const line = (metric: string, rows: ProfileDay[], asked: Period = period, universe?: number) =>
  dailyPoints(metric, asked, aggregateTable(factTable(rows), asked, networks, FACT_COLUMNS), universe)
const day = '2026-10-01'
const one = { from: day, to: day }

describe('lines over time', () => {
  it('keeps a day without data in its place, without a value', () => {
    expect(line('impressions', [{ profile: 1, day: '2026-10-02', impressions: 5 }])).toEqual([
      { day, present: 0 },
      { day: '2026-10-02', value: 5, present: 1 },
      { day: '2026-10-03', present: 0 },
    ])
  })

  it('estimates daily reach over profiles and never adds it', () => {
    const rows = [
      { profile: 1, day, reach_1d: 40 },
      { profile: 2, day, reach_1d: 30 },
    ]
    expect(line('reach', rows, one, 100)).toEqual([
      { day, low: 40, high: 70, present: 2, value: expect.closeTo(58, 10) as number },
    ])
    expect(line('reach', rows, one)).toEqual([{ day, low: 40, high: 70, present: 2 }])
    expect(line('reach', rows.slice(0, 1), one)).toEqual([{ day, value: 40, present: 1 }])
  })

  it('does not believe an audience that is smaller than one profile', () => {
    expect(
      line(
        'reach',
        [
          { profile: 1, day, reach_1d: 40 },
          { profile: 2, day, reach_1d: 30 },
        ],
        one,
        35,
      ),
    ).toEqual([{ day, low: 40, high: 70, present: 2 }])
  })

  it('divides day by day for a rate, and carries the bounds the other way round', () => {
    const rows = [
      { profile: 1, day, reactions: 7, comments: 0, shares: 0, saves: 0, reach_1d: 40 },
      { profile: 2, day, reactions: 5, comments: 0, shares: 0, reach_1d: 20 },
    ]
    expect(line('engagement_by_reach', rows, one)).toEqual([{ day, low: 0.2, high: 0.3, present: 2 }])
  })

  it('takes of a rate only the profiles that have both of its parts on the day', () => {
    const rows = [
      { profile: 1, day, reactions: 10, comments: 0, shares: 0, saves: 0, impressions: 100 },
      { profile: 2, day, reactions: 50, comments: 0, shares: 0 },
      { profile: 3, day, reactions: 9, comments: 0, shares: null, impressions: 900 },
    ]
    expect(line('engagement_by_impressions', rows, one)).toEqual([{ day, value: 0.1, present: 1 }])
    expect(line('engagement_by_followers', [{ ...rows[0]!, followers: 50 }, rows[1]!], one)).toEqual([
      { day, value: 0.2, present: 1 },
    ])
  })

  it('has no value on a day on which a part of a count is missing', () => {
    expect(line('interactions', [{ profile: 1, day, reactions: 3, comments: 1, shares: 0 }], one)).toEqual([
      { day, present: 0 },
    ])
    expect(line('reactions', [{ profile: 1, day, reactions: 3, comments: 1, shares: 0 }], one)).toEqual([
      { day, value: 3, present: 1 },
    ])
  })

  it('subtracts what was lost', () => {
    expect(line('followers_net', [{ profile: 1, day, new_followers: 9, lost_followers: 4 }], one)[0]!.value).toBe(5)
  })
})

describe('missing days', () => {
  it('joins days that follow each other', () => {
    expect(missingRanges(period, ['2026-10-01'])).toEqual([{ from: '2026-10-02', to: '2026-10-03' }])
    expect(missingRanges(period, ['2026-10-02'])).toEqual([
      { from: '2026-10-01', to: '2026-10-01' },
      { from: '2026-10-03', to: '2026-10-03' },
    ])
    expect(missingRanges(period, ['2026-10-01', '2026-10-02', '2026-10-03'])).toEqual([])
  })
})

describe('an index', () => {
  it('is 100 on the first day with a value above zero', () => {
    expect(indexed([null, 0, 40, 50, null, 20])).toEqual({ values: [null, null, 100, 125, null, 50], base: 2 })
  })
  it('is not there when nothing is above zero', () =>
    expect(indexed([null, 0])).toEqual({ values: [null, null], base: undefined }))
})

describe('a level over a gap', () => {
  const row = (profile: number, on: string, followers: number | null) => ({ profile, day: on, followers })

  it('stays what it was for a week, and then is not known', () => {
    const levels = carriedLevels(
      denseDays(factTable([row(1, '2026-09-30', 100), row(1, '2026-10-02', null)]))[0]!,
      { from: '2026-10-01', to: '2026-10-09' },
      'followers',
    )
    expect([...levels]).toEqual([100, 100, 100, 100, 100, 100, 100, Number.NaN, Number.NaN])
  })

  it('makes no fall in the line of a scope, while a flow of that day is missing', () => {
    const rows = [
      { ...row(1, '2026-10-01', 100), posts: 1 },
      { ...row(2, '2026-10-01', 40), posts: 1 },
      { ...row(2, '2026-10-02', 41), posts: 2 },
    ]
    expect(line('followers', rows).map(({ value, present }) => [value, present])).toEqual([
      [140, 2],
      [141, 2],
      [141, 2],
    ])
    expect(line('posts', rows).map(({ value, present }) => [value, present])).toEqual([
      [2, 2],
      [2, 1],
      [undefined, 0],
    ])
  })
})
