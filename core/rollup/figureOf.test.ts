import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { recompute } from '../figures/working'
import { CATALOGUE } from '../metrics/catalogue'
import { FACT_COLUMNS, type FactColumn } from '../metrics/storedFigures'
import { comparison, earlierComparisons } from '../periods/comparison'
import { daysEnding, eachDay, type Period } from '../periods/period'
import { aggregateTable } from './aggregateTable'
import { compareFigures } from './compareFigures'
import { factTable, type ProfileDay } from './factTable'
import { figureOf } from './figureOf'

const week = daysEnding('2026-10-28', 7)
const networks = new Map([
  [1, 'commons'],
  [2, 'tintype'],
])
const rolled = (rows: ProfileDay[], period: Period = week) =>
  aggregateTable(factTable(rows), period, networks, FACT_COLUMNS)
const figure = (metric: string, rows: ProfileDay[], universe?: number, period: Period = week) =>
  figureOf(metric, rolled(rows, period), { period, universe, explain: true })

describe('figures by kind', () => {
  const rows: ProfileDay[] = eachDay(week).flatMap((day, index) => [
    {
      profile: 1,
      day,
      impressions: 100 + index,
      reactions: 10,
      comments: 1,
      shares: 0,
      followers: 1000 + index,
      new_followers: 3,
      lost_followers: 1,
      reach_1d: 60,
      reach_7d: 300,
    },
    {
      profile: 2,
      day,
      impressions: 50,
      reactions: 5,
      comments: 0,
      shares: 0,
      saves: 2,
      followers: 400,
      reach_1d: 30,
      reach_7d: 120,
    },
  ])

  it('adds flows over days and profiles', () => {
    expect(figure('impressions', rows)).toMatchObject({
      value: 721 + 350,
      exactness: 'exact',
      coverage: { expected: 14, present: 14 },
    })
    expect(figure('interactions', rows).value).toBe(7 * 11 + 7 * 7)
    expect(figure('followers_net', rows).value).toBe(14)
  })

  it('takes the last level of a stock', () => expect(figure('followers', rows).value).toBe(1006 + 400))

  it('never adds reach: bounds, and an estimate where the universe is known', () => {
    expect(figure('reach', rows)).toMatchObject({ exactness: 'bounded', low: 300, high: 420 })
    expect(figure('reach', rows, 1000)).toMatchObject({ exactness: 'estimated', value: 384, low: 300, high: 420 })
    expect(figure('reach', rows, 350)).toMatchObject({ high: 350 })
    expect(figure('reach', rows, 290)).toMatchObject({ low: 300, high: 420, exactness: 'bounded' })
    expect(figure('reach', rows, 290).remark).toContain('smaller than the reach of one profile')
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
    const quiet = rolled(
      [
        ...rows,
        ...eachDay(week).map((day) => ({ profile: 3, day, impressions: 10, reactions: 1, comments: 0, shares: 0 })),
      ].map((row) => ({ ...row })),
      week,
    ).map((aggregate) => (aggregate.profile === 3 ? { ...aggregate, network: 'murmur' } : aggregate))
    const rate = figureOf('engagement_by_reach', quiet, { period: week, universe: 1000 })
    expect(rate.coverage).toMatchObject({ expected: 14, present: 14, unreported: [3] })
    expect(rate.value).toBeCloseTo(126 / 384, 12)
  })

  it('leaves out a profile whose network does not report a metric, and says so', () => {
    expect(figure('saves', rows)).toMatchObject({ value: 14, coverage: { expected: 7, unreported: [1] } })
    expect(
      figure(
        'clicks',
        rows.filter(({ profile }) => profile === 2),
      ),
    ).toMatchObject({ reason: 'No network in this scope reports link clicks.' })
  })
})

describe('missing is not zero', () => {
  it('counts the days that are there', () => {
    const rows: ProfileDay[] = [
      { profile: 1, day: '2026-10-22', impressions: 0 },
      { profile: 1, day: '2026-10-24', impressions: null },
    ]
    const found = figure('impressions', rows)
    expect(found).toMatchObject({
      value: 0,
      coverage: { expected: 7, present: 1, partial: [{ profile: 1, present: 1 }] },
    })
  })

  it('has no value and a reason without data', () => {
    expect(figure('impressions', [{ profile: 1, day: '2026-01-01', impressions: 5 }])).toMatchObject({
      reason: 'There is no data for these days.',
    })
    expect(figure('impressions', [{ profile: 1, day: '2026-01-01', impressions: 5 }]).value).toBeUndefined()
  })

  it('takes no level older than seven days', () => {
    expect(figure('followers', [{ profile: 1, day: '2026-10-21', followers: 9 }]).value).toBe(9)
    expect(figure('followers', [{ profile: 1, day: '2026-10-20', followers: 9 }]).value).toBeUndefined()
  })

  it('has no rate of nothing', () => {
    const rows: ProfileDay[] = [{ profile: 1, day: '2026-10-28', impressions: 0, reactions: 0, comments: 0, shares: 0 }]
    expect(figure('engagement_by_impressions', rows)).toMatchObject({
      reason: 'Impressions is zero: there is nothing to divide by.',
    })
  })

  it('keeps a profile without reach out of both sides of a rate', () => {
    const rows: ProfileDay[] = [
      ...eachDay(week).map((day) => ({ profile: 1, day, reactions: 50, comments: 0, shares: 0 })),
      ...eachDay(week).map((day) => ({
        profile: 2,
        day,
        reactions: 1,
        comments: 0,
        shares: 0,
        saves: 0,
        reach_1d: 10,
        reach_7d: 70,
      })),
    ]
    expect(figure('engagement_by_reach', rows).value).toBeCloseTo(7 / 70, 12)
  })
})

describe('change', () => {
  const against = comparison(week, 'before')!
  const compare = (metric: string, rows: ProfileDay[]) =>
    compareFigures(
      metric,
      { current: rolled(rows), earlier: { comparison: against, aggregates: rolled(rows, against.period) } },
      { period: week },
    )
  const both = [...eachDay(against.period), ...eachDay(week)]

  it('compares only the days present in both periods', () => {
    const rows = both.map((day) => ({ profile: 1, day, impressions: 100 })).filter(({ day }) => day !== '2026-10-25')
    const { figure: now, change } = compare('impressions', rows)
    expect(now.value).toBe(600)
    expect(change).toMatchObject({
      direction: 'same',
      from: 600,
      to: 600,
      days: { now: 6, then: 6, ofNow: 7, ofThen: 7 },
      basis: 'over the 6 of 7 days with data in both periods',
    })
  })

  it('leaves out a profile that was not there before', () => {
    const rows = [
      ...both.map((day) => ({ profile: 1, day, impressions: 100 })),
      ...eachDay(week).map((day) => ({ profile: 2, day, impressions: 900 })),
    ]
    expect(compare('impressions', rows).change).toMatchObject({ from: 700, to: 700, direction: 'same' })
  })

  it('judges by the polarity of the metric', () => {
    const rows = both.map((day) => ({
      profile: 1,
      day,
      impressions: day < week.from ? 100 : 130,
      followers: 10,
      posts: day < week.from ? 1 : 2,
    }))
    expect(compare('impressions', rows).change).toMatchObject({ direction: 'up', judgement: 'better', small: false })
    expect(compare('impressions', rows).change!.relative).toBeCloseTo(0.3, 12)
    expect(compare('posts', rows).change).toMatchObject({ judgement: 'neutral', small: true })
    expect(
      compare(
        'impressions',
        both.map((day) => ({ profile: 1, day, impressions: day < week.from ? 100 : 99 })),
      ).change,
    ).toMatchObject({ direction: 'down', isUnclear: true, judgement: 'neutral' })
  })

  it('tells the direction of ranges only when they do not meet', () => {
    const reach = (now: number) => both.map((day) => ({ profile: 1, day, reach_1d: day < week.from ? 10 : now }))
    expect(compare('reach', reach(11)).change).toMatchObject({ direction: 'unknown', judgement: 'neutral' })
    expect(compare('reach', reach(80)).change).toMatchObject({ direction: 'up', judgement: 'better' })
  })
})

describe('a rate over the days that have both of its parts', () => {
  const days = eachDay(week)
  const photo = (day: string, part: Partial<ProfileDay>): ProfileDay => ({ profile: 2, day, ...part })

  it('is 10 % on one day of two, not 20 % of both', () => {
    const two = { from: '2026-10-27', to: '2026-10-28' }
    const rows = [photo(two.from, { clicks: 10, impressions: 100 }), photo(two.to, { clicks: 10 })].map((row) => ({
      ...row,
      profile: 1,
    }))
    expect(figure('click_rate', rows, undefined, two)).toMatchObject({
      value: 0.1,
      coverage: { expected: 2, present: 1, partial: [{ profile: 1, present: 1, expected: 2 }] },
    })
  })

  it('has no frequency of four days of impressions over the people of seven', () => {
    const rows = days.map((day, index) =>
      photo(day, { reach_1d: 100, reach_7d: 400, ...(index < 4 && { impressions: 200 }) }),
    )
    // 800 impressions on four days, on which there were 100 to 400 people: the week's people less three days of 100 are
    // no more than a day's
    expect(figure('frequency', rows)).toMatchObject({
      exactness: 'bounded',
      low: 800 / 400,
      high: 800 / 100,
      coverage: { present: 4, expected: 7 },
    })
    expect(figure('frequency', rows).value).toBeUndefined()
  })

  it('says so where no day has both', () => {
    const rows = [
      photo(days[0]!, { impressions: 5 }),
      photo(days[1]!, { reactions: 1, comments: 0, shares: 0, saves: 0 }),
    ]
    expect(figure('engagement_by_impressions', rows)).toMatchObject({
      reason: 'There is no day with both interactions and impressions.',
      coverage: { present: 0, expected: 7 },
    })
  })

  it('carries the interval of a proportion, or of its numerator over the whole range of its denominator', () => {
    expect(figure('click_rate', [{ profile: 1, day: days[6]!, clicks: 81, impressions: 263 }]).interval).toMatchObject({
      low: expect.closeTo(0.2553, 4) as number,
      high: expect.closeTo(0.3662, 4) as number,
    })
    const people = figure(
      'engagement_by_reach',
      days.map((day) => photo(day, { reactions: 10, comments: 0, shares: 0, saves: 0, reach_1d: 50 })),
    )
    expect(people.interval!.low).toBeLessThan(people.low!)
    expect(people.interval!.high).toBeGreaterThan(people.high!)
  })
})

describe('a rate is compared over the same days', () => {
  const four = daysEnding('2026-10-28', 28)
  const before = comparison(four, 'before')!
  const compareOver = (metric: string, rows: ProfileDay[]) =>
    compareFigures(
      metric,
      { current: rolled(rows, four), earlier: { comparison: before, aggregates: rolled(rows, before.period) } },
      { period: four },
    )
  const row = (day: string, part: Partial<ProfileDay> = {}): ProfileDay => ({
    profile: 2,
    day,
    reactions: 7,
    comments: 0,
    shares: 0,
    saves: 0,
    followers: 1000,
    ...part,
  })

  it('of a daily sum over followers: 28 days against 2 are compared over 2', () => {
    const rows = [...eachDay(before.period).slice(-2), ...eachDay(four)].map((day) => row(day))
    const { figure: now, change } = compareOver('engagement_by_followers', rows)
    expect(now.value).toBeCloseTo(28 * 0.007, 12)
    expect(change).toMatchObject({
      direction: 'same',
      judgement: 'neutral',
      basis: 'over the 2 of 28 days with data in both periods',
      days: { now: 2, then: 2 },
    })
    expect([change!.from, change!.to]).toEqual([0.014, 0.014])
  })

  it('of a daily sum over people: the people of the very days are taken', () => {
    const people = { reach_1d: 100, reach_7d: 400, reach_28d: 900 }
    const rows = [...eachDay(before.period), ...eachDay(four)]
      .map((day) => row(day, people))
      .filter(({ day }) => day < before.period.to || day >= four.from)
    const { change } = compareOver('engagement_by_reach', rows)
    // the last day is missing then, so it is left out now: 27 days, whose people lie between 800 and 900 now
    expect(change).toMatchObject({
      isUnclear: true,
      judgement: 'neutral',
      basis: 'over the 27 of 28 days with data in both periods',
    })
  })

  it('says why there is no change where nothing is left to pair', () => {
    const rows = [...eachDay(before.period).slice(0, 10), ...eachDay(four).slice(-10)].map((day) => row(day))
    expect(compareOver('engagement_by_followers', rows).change).toMatchObject({
      reason: 'There is no figure for the comparison.',
    })
    const level = [...rows, row(before.period.to, { reactions: null })]
    expect(compareOver('engagement_by_followers', level).change).toMatchObject({
      reason: 'No profile has a day with data in both periods.',
      judgement: 'neutral',
    })
  })

  it('is paired profile by profile in a mixed set', () => {
    const rows = [...eachDay(before.period), ...eachDay(four)]
      .flatMap((day): ProfileDay[] => [
        row(day),
        { ...row(day), profile: 1, saves: null, reactions: day < four.from ? 14 : 7 },
      ])
      .filter(({ profile, day }) => profile === 2 || day >= four.from || day > '2026-09-28')
    const { change } = compareOver('interactions', rows)
    // all 28 days of one, two of the other: 28 × 7 + 2 × 14 became 28 × 7 + 2 × 7
    expect(change).toMatchObject({
      from: 196 + 28,
      to: 196 + 14,
      days: { now: 30, then: 30, ofNow: 56, ofThen: 56 },
      basis: 'over the 30 of 56 profile-days with data in both periods',
    })
  })
})

describe('whole months', () => {
  const october = { from: '2026-10-01', to: '2026-10-31' }
  const september = comparison(october, 'before')!
  const month = (rows: ProfileDay[]) =>
    compareFigures(
      'impressions',
      {
        current: rolled(rows, october),
        earlier: { comparison: september, aggregates: rolled(rows, september.period) },
      },
      { period: october },
    ).change!

  it('are compared whole, and by the day', () => {
    const rows = [...eachDay(september.period), ...eachDay(october)].map((day) => ({
      profile: 1,
      day,
      impressions: 100,
    }))
    expect(month(rows)).toMatchObject({
      from: 3000,
      to: 3100,
      perDay: { from: 100, to: 100, relative: 0 },
      judgement: 'neutral',
      days: { now: 31, then: 30, ofNow: 31, ofThen: 30 },
    })
    expect(month(rows)).not.toHaveProperty('basis')
  })

  it('leave a day that is missing in one out of both, and keep the day by which one is longer', () => {
    const rows = [...eachDay(september.period), ...eachDay(october)]
      .filter((day) => day !== '2026-10-12')
      .map((day) => ({ profile: 1, day, impressions: day === '2026-09-12' ? 9999 : 100 }))
    expect(month(rows)).toMatchObject({
      from: 2900,
      to: 3000,
      perDay: { from: 100, to: 100 },
      basis: 'over 30 of 31 days against 29 of 30: a day that is missing in one period is left out in both',
    })
  })
})

describe('what is usual, from the past year', () => {
  it('takes the judgement away from a change like the others', () => {
    const current = { from: '2026-10-22', to: '2026-10-28' }
    const against = comparison(current, 'before')!
    const swing = (day: string) => 1000 + 300 * Math.sin(Math.floor(Date.parse(day) / 604_800_000) * 2)
    const rows = eachDay(daysEnding('2026-10-28', 420)).map((day) => ({
      profile: 1,
      day,
      impressions: Math.round(swing(day)),
    }))
    const past = earlierComparisons(current, against).map((each) => ({
      period: each.period,
      current: rolled(rows, each.period),
      earlier: { comparison: each.comparison, aggregates: rolled(rows, each.comparison.period) },
    }))
    const compared = (extra: number) =>
      compareFigures(
        'impressions',
        {
          current: rolled(
            rows.map((row) => (row.day >= current.from ? { ...row, impressions: row.impressions + extra } : row)),
            current,
          ),
          earlier: { comparison: against, aggregates: rolled(rows, against.period) },
          past,
        },
        { period: current },
      ).change!
    expect(past).toHaveLength(52)
    expect(compared(0).usual).toMatchObject({ isWithin: true, count: 52 })
    expect(compared(0).judgement).toBe('neutral')
    expect(compared(4000)).toMatchObject({ judgement: 'better', usual: { isWithin: false } })
  })
})

describe('workings', () => {
  const cell = fc.option(fc.integer({ min: 0, max: 5000 }), { nil: null, freq: 6 })
  const row = fc.record({
    profile: fc.constantFrom(1, 2),
    offset: fc.integer({ min: 0, max: 44 }),
    values: fc.array(cell, { minLength: FACT_COLUMNS.length, maxLength: FACT_COLUMNS.length }),
  })
  const scene = fc.record({
    rows: fc.uniqueArray(row, {
      minLength: 1,
      maxLength: 60,
      selector: ({ profile, offset }) => profile * 100 + offset,
    }),
    days: fc.integer({ min: 1, max: 40 }),
    universe: fc.option(fc.integer({ min: 1, max: 9000 }), { nil: undefined }),
  })

  it('computed again give the figure, for every metric', () => {
    fc.assert(
      fc.property(scene, ({ rows, days, universe }) => {
        const all = eachDay(daysEnding('2026-10-28', 45))
        const facts = rows.map(({ profile, offset, values }) => ({
          profile,
          day: all[offset]!,
          ...Object.fromEntries(FACT_COLUMNS.map((column: FactColumn, index) => [column, values[index]])),
        }))
        for (const { id } of CATALOGUE) {
          const found = figure(id, facts, universe, daysEnding('2026-10-28', days))
          for (const side of ['value', 'low', 'high'] as const) {
            const working = found.working?.[side]
            expect(working === undefined).toBe(found[side] === undefined)
            if (working) expect(recompute(working)).toBeCloseTo(found[side]!, 6)
          }
          if (found.low !== undefined && found.value !== undefined && found.exactness === 'estimated')
            expect(found.value).toBeGreaterThanOrEqual(found.low - 1e-6)
          if (found.value === undefined && found.low === undefined) expect(found.reason).toBeTruthy()
        }
      }),
      { numRuns: 60 },
    )
  })
})

describe('what only the owner can see', () => {
  const rows: ProfileDay[] = eachDay(week).map((day) => ({
    profile: 1,
    day,
    reactions: 10,
    comments: 1,
    shares: 0,
    followers: 500,
  }))
  const open = (metric: string, given = rows, isPublicOnly = true) =>
    figureOf(
      metric,
      rolled(given).map((aggregate) => ({ ...aggregate, isPublicOnly })),
      { period: week },
    )

  it('is no part of a figure where there is no consent, and no gap in it either', () => {
    expect(open('impressions').coverage).toMatchObject({ expected: 0, unreported: [1] })
    expect(open('impressions').reason).toContain('No network in this scope reports impressions')
    expect(open('reach').coverage.unreported).toEqual([1])
    expect(open('engagement_by_reach').value).toBeUndefined()
  })

  it('leaves public figures whole, saves left out of the interactions', () => {
    const photos = rows.map((row) => ({ ...row, profile: 2 }))
    expect(open('interactions', photos)).toMatchObject({
      value: 77,
      coverage: { expected: 7, present: 7, partial: [] },
    })
    expect(open('engagement_by_followers', photos).value).toBeCloseTo(77 / 500, 12)
    // with consent the network would give saves too, and they are missing
    expect(open('interactions', photos, false)).toMatchObject({
      reason: 'There is no data for these days.',
      coverage: { expected: 7, present: 0 },
    })
  })

  it('counts all the same when somebody has imported it', () => {
    expect(
      open(
        'impressions',
        rows.map((row) => ({ ...row, impressions: 5 })),
      ),
    ).toMatchObject({ value: 35, coverage: { expected: 7, unreported: [] } })
  })
})

describe('a first fetch that is still running', () => {
  const rows: ProfileDay[] = eachDay(week).flatMap((day) => [
    { profile: 1, day, impressions: 5, clicks: 1 },
    { profile: 2, day, impressions: 7 },
  ])
  const fetching = (metric: string) =>
    figureOf(metric, rolled(rows), { period: week, fetching: new Set([2]) }).coverage.fetching

  it('is said on the figures that it touches, rates among them, and on no other', () => {
    expect([fetching('impressions'), fetching('reach')]).toEqual([[2], [2]])
    // photos do not report clicks
    expect([fetching('clicks'), fetching('click_rate')]).toEqual([undefined, undefined])
  })
})

describe('visitors', () => {
  const rows: ProfileDay[] = eachDay(week).flatMap((day) => [
    { profile: 1, day, profile_visits: 20, visitors_1d: 12, visitors_7d: 60 },
    { profile: 2, day, profile_visits: 9, visitors_1d: 8 },
  ])

  it('are people, so that they are never added, and no more than the visits', () => {
    expect(
      figure(
        'profile_visitors',
        rows.filter(({ profile }) => profile === 1),
      ),
    ).toMatchObject({ value: 60, exactness: 'exact' })
    const both = figure('profile_visitors', rows, 90_000)
    // seven days of eight are 56 at most; the audience of the networks says nothing about who comes to a profile
    expect(both).toMatchObject({ low: 60, high: 60 + 56, exactness: 'bounded' })
    expect(both.value).toBeUndefined()
  })

  it('come how often: between bounds where they are only bounded', () => {
    expect(
      figure(
        'visits_per_visitor',
        rows.filter(({ profile }) => profile === 2),
      ),
    ).toMatchObject({ low: 63 / 56, high: 63 / 8 })
  })

  it('do not touch reach', () => expect(figure('reach', rows).value).toBeUndefined())
})

describe('a figure that rests on the same days and profiles as its comparison', () => {
  it('is the same as one that is worked out again', () => {
    const both = [...eachDay(week), ...eachDay(daysEnding('2026-10-21', 7))].map((day) => ({
      profile: 1,
      day,
      impressions: day < week.from ? 10 : 12,
      reactions: 1,
      comments: 0,
      shares: 0,
      reach_1d: 5,
      reach_7d: 20,
    }))
    const period = week
    const earlier = comparison(period, 'before')!
    const current = rolled(both)
    const aggregates = rolled(both, earlier.period)
    const compared = compareFigures(
      'engagement_by_reach',
      { current, earlier: { comparison: earlier, aggregates } },
      { period, explain: true },
    )
    expect(compared.change).toMatchObject({ from: 7 / 20, to: 7 / 20, direction: 'same' })
    expect(compared.figure.working?.value && recompute(compared.figure.working.value)).toBeCloseTo(7 / 20, 12)
    const flows = compareFigures('impressions', { current, earlier: { comparison: earlier, aggregates } }, { period })
    expect(flows.change).toMatchObject({ from: 70, to: 84, relative: 0.2 })
  })
})
