import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { recompute } from '../figures/working'
import { CATALOGUE } from '../metrics/catalogue'
import { FACT_COLUMNS, type FactColumn } from '../metrics/metric'
import { comparison } from '../periods/comparison'
import { daysEnding, eachDay, type Period } from '../periods/period'
import { aggregateTable } from './aggregateTable'
import { compareFigures } from './compareFigures'
import { factTable, type ProfileDay } from './factTable'
import { figureOf } from './figureOf'
import { pairedSums } from './pairedSums'

const week = daysEnding('2026-10-28', 7)
const networks = new Map([[1, 'commons'], [2, 'tintype']])
const rolled = (rows: ProfileDay[], period: Period = week) => aggregateTable(factTable(rows), period, networks, FACT_COLUMNS)
const figure = (metric: string, rows: ProfileDay[], universe?: number, period: Period = week) => figureOf(metric, rolled(rows, period), { period, universe, explain: true })

describe('figures by kind', () => {
  const rows: ProfileDay[] = eachDay(week).flatMap((day, index) => [
    { profile: 1, day, impressions: 100 + index, reactions: 10, comments: 1, shares: 0, followers: 1000 + index, new_followers: 3, lost_followers: 1, reach_1d: 60, reach_7d: 300 },
    { profile: 2, day, impressions: 50, reactions: 5, comments: 0, shares: 0, saves: 2, followers: 400, reach_1d: 30, reach_7d: 120 },
  ])

  it('adds flows over days and profiles', () => {
    expect(figure('impressions', rows)).toMatchObject({ value: 721 + 350, exactness: 'exact', coverage: { expected: 14, present: 14 } })
    expect(figure('interactions', rows).value).toBe(7 * 11 + 7 * 7)
    expect(figure('followers_net', rows).value).toBe(14)
  })

  it('takes the last level of a stock', () => expect(figure('followers', rows).value).toBe(1006 + 400))

  it('never adds reach: bounds, and an estimate where the universe is known', () => {
    expect(figure('reach', rows)).toMatchObject({ exactness: 'bounded', low: 300, high: 420 })
    expect(figure('reach', rows, 1000)).toMatchObject({ exactness: 'estimated', value: 384, low: 300, high: 420 })
    expect(figure('reach', rows, 350)).toMatchObject({ high: 350 })
  })

  it('divides what was rolled up, never averages rates', () => {
    expect(figure('engagement_by_impressions', rows).value).toBeCloseTo(126 / 1071, 12)
    const rate = figure('engagement_by_reach', rows, 1000)
    expect(rate).toMatchObject({ exactness: 'estimated' })
    expect(rate.value).toBeCloseTo(126 / 384, 12)
    expect(rate.low).toBeCloseTo(126 / 420, 12)
    expect(rate.high).toBeCloseTo(126 / 300, 12)
  })

  it('does not miss what a network never gives: no reach where only impressions are', () => {
    const quiet = rolled([...rows, ...eachDay(week).map((day) => ({ profile: 3, day, impressions: 10, reactions: 1, comments: 0, shares: 0 }))].map((row) => ({ ...row })), week).map((aggregate) => (aggregate.profile === 3 ? { ...aggregate, network: 'murmur' } : aggregate))
    const rate = figureOf('engagement_by_reach', quiet, { period: week, universe: 1000 })
    expect(rate.coverage).toMatchObject({ expected: 14, present: 14, unreported: [3] })
    expect(rate.value).toBeCloseTo(126 / 384, 12)
  })

  it('leaves out a profile whose network does not report a metric, and says so', () => {
    expect(figure('saves', rows)).toMatchObject({ value: 14, coverage: { expected: 7, unreported: [1] } })
    expect(figure('clicks', rows.filter(({ profile }) => profile === 2))).toMatchObject({ reason: 'No network in this scope reports link clicks.' })
  })
})

describe('missing is not zero', () => {
  it('counts the days that are there', () => {
    const rows: ProfileDay[] = [{ profile: 1, day: '2026-10-22', impressions: 0 }, { profile: 1, day: '2026-10-24', impressions: null }]
    const found = figure('impressions', rows)
    expect(found).toMatchObject({ value: 0, coverage: { expected: 7, present: 1, partial: [{ profile: 1, present: 1 }] } })
  })

  it('has no value and a reason without data', () => {
    expect(figure('impressions', [{ profile: 1, day: '2026-01-01', impressions: 5 }])).toMatchObject({ reason: 'There is no data for these days.' })
    expect(figure('impressions', [{ profile: 1, day: '2026-01-01', impressions: 5 }]).value).toBeUndefined()
  })

  it('takes no level older than seven days', () => {
    expect(figure('followers', [{ profile: 1, day: '2026-10-21', followers: 9 }]).value).toBe(9)
    expect(figure('followers', [{ profile: 1, day: '2026-10-20', followers: 9 }]).value).toBeUndefined()
  })

  it('has no rate of nothing', () => {
    const rows: ProfileDay[] = [{ profile: 1, day: '2026-10-28', impressions: 0, reactions: 0, comments: 0, shares: 0 }]
    expect(figure('engagement_by_impressions', rows)).toMatchObject({ reason: 'Impressions is zero: there is nothing to divide by.' })
  })

  it('keeps a profile without reach out of both sides of a rate', () => {
    const rows: ProfileDay[] = [...eachDay(week).map((day) => ({ profile: 1, day, reactions: 50, comments: 0, shares: 0 })), ...eachDay(week).map((day) => ({ profile: 2, day, reactions: 1, comments: 0, shares: 0, saves: 0, reach_1d: 10, reach_7d: 70 }))]
    expect(figure('engagement_by_reach', rows).value).toBeCloseTo(7 / 70, 12)
  })
})

describe('change', () => {
  const against = comparison(week, 'before')!
  const compare = (metric: string, rows: ProfileDay[]) => {
    const table = factTable(rows)
    return compareFigures(metric, {
      current: rolled(rows),
      earlier: { period: against.period, aggregates: rolled(rows, against.period), paired: pairedSums(table, week, against, ['impressions', 'reactions', 'comments', 'shares', 'saves', 'clicks']) },
    }, { period: week })
  }
  const both = [...eachDay(against.period), ...eachDay(week)]

  it('compares only the days present in both periods', () => {
    const rows = both.map((day) => ({ profile: 1, day, impressions: 100 })).filter(({ day }) => day !== '2026-10-25')
    const { figure: now, change } = compare('impressions', rows)
    expect(now.value).toBe(600)
    expect(change).toMatchObject({ direction: 'same', from: 600, to: 600, basis: 'over the 6 of 7 days with data in both periods' })
  })

  it('leaves out a profile that was not there before', () => {
    const rows = [...both.map((day) => ({ profile: 1, day, impressions: 100 })), ...eachDay(week).map((day) => ({ profile: 2, day, impressions: 900 }))]
    expect(compare('impressions', rows).change).toMatchObject({ from: 700, to: 700, direction: 'same' })
  })

  it('judges by the polarity of the metric', () => {
    const rows = both.map((day) => ({ profile: 1, day, impressions: day < week.from ? 100 : 130, followers: 10, posts: day < week.from ? 1 : 2 }))
    expect(compare('impressions', rows).change).toMatchObject({ direction: 'up', judgement: 'better', small: false })
    expect(compare('impressions', rows).change!.relative).toBeCloseTo(0.3, 12)
    expect(compare('posts', rows).change).toMatchObject({ judgement: 'neutral', small: true })
  })

  it('tells the direction of ranges only when they do not meet', () => {
    const reach = (now: number) => both.map((day) => ({ profile: 1, day, reach_1d: day < week.from ? 10 : now }))
    expect(compare('reach', reach(11)).change).toMatchObject({ direction: 'unknown', judgement: 'neutral' })
    expect(compare('reach', reach(80)).change).toMatchObject({ direction: 'up', judgement: 'better' })
  })
})

describe('workings', () => {
  const cell = fc.option(fc.integer({ min: 0, max: 5000 }), { nil: null, freq: 6 })
  const row = fc.record({ profile: fc.constantFrom(1, 2), offset: fc.integer({ min: 0, max: 44 }), values: fc.array(cell, { minLength: FACT_COLUMNS.length, maxLength: FACT_COLUMNS.length }) })
  const scene = fc.record({
    rows: fc.uniqueArray(row, { minLength: 1, maxLength: 60, selector: ({ profile, offset }) => profile * 100 + offset }), days: fc.integer({ min: 1, max: 40 }), universe: fc.option(fc.integer({ min: 1, max: 9000 }), { nil: undefined }),
  })

  it('computed again give the figure, for every metric', () => {
    fc.assert(fc.property(scene, ({ rows, days, universe }) => {
      const all = eachDay(daysEnding('2026-10-28', 45))
      const facts = rows.map(({ profile, offset, values }) => ({ profile, day: all[offset]!, ...Object.fromEntries(FACT_COLUMNS.map((column: FactColumn, index) => [column, values[index]])) }))
      for (const { id } of CATALOGUE) {
        const found = figure(id, facts, universe, daysEnding('2026-10-28', days))
        for (const side of ['value', 'low', 'high'] as const) {
          const working = found.working?.[side]
          expect(working === undefined).toBe(found[side] === undefined)
          if (working) expect(recompute(working)).toBeCloseTo(found[side]!, 6)
        }
        if (found.low !== undefined && found.value !== undefined && found.exactness === 'estimated') expect(found.value).toBeGreaterThanOrEqual(found.low - 1e-6)
        if (found.value === undefined && found.low === undefined) expect(found.reason).toBeTruthy()
      }
    }), { numRuns: 60 })
  })
})

describe('what only the owner can see', () => {
  const rows: ProfileDay[] = eachDay(week).map((day) => ({ profile: 1, day, reactions: 10, comments: 1, shares: 0, followers: 500 }))
  const open = (metric: string, given = rows, isPublicOnly = true) => figureOf(metric, rolled(given).map((aggregate) => ({ ...aggregate, isPublicOnly })), { period: week })

  it('is no part of a figure where there is no consent, and no gap in it either', () => {
    expect(open('impressions').coverage).toMatchObject({ expected: 0, unreported: [1] })
    expect(open('impressions').reason).toContain('No network in this scope reports impressions')
    expect(open('reach').coverage.unreported).toEqual([1])
    expect(open('engagement_by_reach').value).toBeUndefined()
  })

  it('leaves public figures whole, saves left out of the interactions', () => {
    const photos = rows.map((row) => ({ ...row, profile: 2 }))
    expect(open('interactions', photos)).toMatchObject({ value: 77, coverage: { expected: 7, present: 7, partial: [] } })
    expect(open('engagement_by_followers', photos).value).toBeCloseTo(77 / 500, 12)
    // with consent the network would give saves too, and they are missing
    expect(open('interactions', photos, false).coverage).toMatchObject({ expected: 7, present: 0 })
  })

  it('counts all the same when somebody has imported it', () => {
    expect(open('impressions', rows.map((row) => ({ ...row, impressions: 5 })))).toMatchObject({ value: 35, coverage: { expected: 7, unreported: [] } })
  })
})

describe('a first fetch that is still running', () => {
  const rows: ProfileDay[] = eachDay(week).flatMap((day) => [{ profile: 1, day, impressions: 5, clicks: 1 }, { profile: 2, day, impressions: 7 }])
  const fetching = (metric: string) => figureOf(metric, rolled(rows), { period: week, fetching: new Set([2]) }).coverage.fetching

  it('is said on the figures that it touches, rates among them, and on no other', () => {
    expect([fetching('impressions'), fetching('reach')]).toEqual([[2], [2]])
    // photos do not report clicks
    expect([fetching('clicks'), fetching('click_rate')]).toEqual([undefined, undefined])
  })
})

describe('visitors', () => {
  const rows: ProfileDay[] = eachDay(week).flatMap((day) => [{ profile: 1, day, profile_visits: 20, visitors_1d: 12, visitors_7d: 60 }, { profile: 2, day, profile_visits: 9, visitors_1d: 8 }])

  it('are people, so that they are never added, and no more than the visits', () => {
    expect(figure('profile_visitors', rows.filter(({ profile }) => profile === 1))).toMatchObject({ value: 60, exactness: 'exact' })
    const both = figure('profile_visitors', rows, 90_000)
    // seven days of eight are 56 at most, of 63 visits; the audience of the networks says nothing about who comes to a profile
    expect(both).toMatchObject({ low: 60, high: 60 + 56, exactness: 'bounded' })
    expect(both.value).toBeUndefined()
  })

  it('come how often: between bounds where they are only bounded', () => {
    expect(figure('visits_per_visitor', rows.filter(({ profile }) => profile === 2))).toMatchObject({ low: 63 / 56, high: 63 / 8 })
  })

  it('do not touch reach', () => expect(figure('reach', rows).value).toBeUndefined())
})

describe('a figure that rests on the same days and profiles as its comparison', () => {
  it('is the same as one that is worked out again', () => {
    const both = [...eachDay(week), ...eachDay(daysEnding('2026-10-21', 7))].map((day) => ({ profile: 1, day, impressions: day < week.from ? 10 : 12, reactions: 1, comments: 0, shares: 0, reach_1d: 5, reach_7d: 20 }))
    const period = week
    const earlier = comparison(period, 'before')!
    const current = rolled(both)
    const aggregates = rolled(both, earlier.period)
    const compared = compareFigures('engagement_by_reach', { current, earlier: { period: earlier.period, aggregates, paired: new Map() } }, { period, explain: true })
    expect(compared.change).toMatchObject({ from: 7 / 20, to: 7 / 20, direction: 'same' })
    expect(compared.figure.working?.value && recompute(compared.figure.working.value)).toBeCloseTo(7 / 20, 12)
    const flows = compareFigures('impressions', { current, earlier: { period: earlier.period, aggregates, paired: pairedSums(factTable(both), period, earlier, ['impressions']) } }, { period })
    expect(flows.change).toMatchObject({ from: 70, to: 84, relative: 0.2 })
  })
})
