import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { AGAINST, comparison, comparisonWith, counterpart, earlierComparisons } from './comparison'
import { describeAgainst, describePeriod, describePeriodShort } from './describePeriod'
import { parsePeriod } from './parsePeriod'
import { daysEnding, eachDay, includes, lengthOf, overlap, period } from './period'
import { isoWeekOf } from './isoWeek'
import { CALENDAR_UNITS, periodAddress, periodKind, runningUnit, stepPeriod } from './periodKind'

const october = { from: '2026-10-01', to: '2026-10-28' }

describe('comparison', () => {
  const days = ({ period: { from, to } }: { period: { from: string; to: string } }) => `${from} ${to}`

  it('takes as many days just before', () => {
    expect(comparison(october, 'before')).toEqual({
      period: { from: '2026-09-03', to: '2026-09-30' },
      pairing: { kind: 'days', days: 28 },
    })
  })

  it.each([
    ['2026-10-01', '2026-10-31', '2026-09-01 2026-09-30'],
    ['2026-03-01', '2026-03-31', '2026-02-01 2026-02-28'],
    ['2026-07-01', '2026-09-30', '2026-04-01 2026-06-30'],
    ['2026-01-01', '2026-06-30', '2025-07-01 2025-12-31'],
    ['2025-01-01', '2025-12-31', '2024-01-01 2024-12-31'],
    ['2026-08-01', '2026-09-30', '2026-06-01 2026-07-31'],
  ])('compares whole months, %s to %s, with as many whole months before: %s', (from, to, expected) => {
    expect(days(comparison({ from, to }, 'before')!)).toBe(expected)
    expect(days(comparison({ from, to }, 'days-before')!)).toBe(
      days({ period: daysEnding(addDays(from, -1), lengthOf({ from, to })) }),
    )
  })

  it.each([
    ['week', '2026-11-23', '2026-11-25', '2026-11-16 2026-11-18'],
    ['month', '2026-11-01', '2026-11-25', '2026-10-01 2026-10-25'],
    ['quarter', '2026-10-01', '2026-11-25', '2026-07-01 2026-08-25'],
    ['half', '2026-07-01', '2026-11-25', '2026-01-01 2026-05-28'],
    ['year', '2026-01-01', '2026-11-25', '2025-01-01 2025-11-25'],
    ['quarter', '2026-10-01', '2026-10-31', '2026-07-01 2026-07-31'],
    ['month', '2026-03-01', '2026-03-30', '2026-02-01 2026-02-28'],
    ['year', '2028-01-01', '2028-02-29', '2027-01-01 2027-02-28'],
    ['year', '2026-01-01', '2026-10-31', '2025-01-01 2025-10-31'],
  ] as const)('compares a %s so far, %s to %s, with the same days of the one before: %s', (unit, from, to, expected) =>
    expect(days(comparison({ from, to }, 'before', unit)!)).toBe(expected),
  )

  it('goes back to the same dates and to the same weekdays', () => {
    expect(comparison(october, 'same-dates-last-year')?.period).toEqual({ from: '2025-10-01', to: '2025-10-28' })
    expect(comparison(october, 'same-weekdays-last-year')?.period).toEqual({ from: '2025-10-02', to: '2025-10-29' })
    expect(comparison(october, 'none')).toBeUndefined()
  })

  it('never turns the same dates last year around: 29 February alone meets the 28th', () => {
    expect(days(comparison({ from: '2028-02-29', to: '2028-02-29' }, 'same-dates-last-year')!)).toBe(
      '2027-02-28 2027-02-28',
    )
    expect(days(comparison({ from: '2028-02-29', to: '2028-03-10' }, 'same-dates-last-year')!)).toBe(
      '2027-02-28 2027-03-10',
    )
    expect(days(comparison({ from: '2028-02-10', to: '2028-02-29' }, 'same-dates-last-year')!)).toBe(
      '2027-02-10 2027-02-28',
    )
    expect(days(comparison({ from: '2029-02-01', to: '2029-02-28' }, 'same-dates-last-year')!)).toBe(
      '2028-02-01 2028-02-29',
    )
    const { pairing } = comparison({ from: '2028-02-01', to: '2028-02-29' }, 'same-dates-last-year')!
    expect([
      counterpart('2028-02-29', pairing),
      counterpart('2028-02-28', pairing),
      counterpart('2028-03-01', pairing),
    ]).toEqual([undefined, '2027-02-28', '2027-03-01'])
  })

  it('compares with days of one’s own, the first with the first', () => {
    const { pairing } = comparisonWith(
      { from: '2026-07-01', to: '2026-09-30' },
      { from: '2025-07-01', to: '2025-09-30' },
    )
    expect([counterpart('2026-07-01', pairing), counterpart('2026-09-30', pairing)]).toEqual([
      '2025-07-01',
      '2025-09-30',
    ])
  })

  it('always pairs days inside the comparison, each at most once, and lies before the period, whatever the period is', () => {
    const start = fc.integer({ min: 0, max: 4000 }).map((from) => addDays('2022-01-01', from))
    fc.assert(
      fc.property(
        start,
        fc.integer({ min: 1, max: 500 }),
        fc.constantFrom(...AGAINST),
        fc.constantFrom(undefined, ...CALENDAR_UNITS),
        (from, length, against, running) => {
          const given = period(from, addDays(from, length - 1))
          const compared = comparison(given, against, running)
          if (!compared) return against === 'none'
          expect(compared.period.from <= compared.period.to).toBe(true)
          const pairs = eachDay(given)
            .flatMap((day) => counterpart(day, compared.pairing) ?? [])
            .filter((day) => includes(compared.period, day))
          expect(new Set(pairs).size).toBe(pairs.length)
          // all but the days by which the one is longer than the other
          expect(pairs.length).toBeGreaterThanOrEqual(Math.min(lengthOf(given), lengthOf(compared.period)) - 1)
          if (!against.includes('year') && running !== 'year') expect(compared.period.to < given.from).toBe(true)
          if (against === 'days-before' || against === 'same-weekdays-last-year')
            expect(lengthOf(compared.period)).toBe(length)
          return true
        },
      ),
    )
  })
})

describe('the comparisons of the past year', () => {
  const spans = (given: { from: string; to: string }, against: 'before' | 'same-dates-last-year' = 'before') =>
    earlierComparisons(given, comparison(given, against)!)
  it('move whole months by a month and days by their own number, and leave out what is judged', () => {
    const months = spans({ from: '2026-10-01', to: '2026-10-31' })
    expect(months).toHaveLength(12)
    expect(months.slice(0, 2).map((each) => [each.period, each.comparison.period])).toEqual([
      [
        { from: '2026-09-01', to: '2026-09-30' },
        { from: '2026-08-01', to: '2026-08-31' },
      ],
      [
        { from: '2026-08-01', to: '2026-08-31' },
        { from: '2026-07-01', to: '2026-07-31' },
      ],
    ])
    expect(months.at(-1)!.period).toEqual({ from: '2025-10-01', to: '2025-10-31' })
    const weeks = spans(october)
    expect(weeks).toHaveLength(13)
    expect(weeks[0]!.period).toEqual({ from: '2026-09-03', to: '2026-09-30' })
    expect(spans({ from: '2026-10-28', to: '2026-10-28' })[0]!.period).toEqual({ from: '2026-10-21', to: '2026-10-21' })
  })
  it('move the comparison as well, and are none for a long period', () => {
    expect(spans(october, 'same-dates-last-year')[0]!.comparison.period).toEqual({
      from: '2025-09-03',
      to: '2025-09-30',
    })
    expect(spans({ from: '2026-01-01', to: '2026-10-28' })).toEqual([])
    expect(earlierComparisons(october, comparisonWith(october, { from: '2016-01-01', to: '2025-12-31' }))).toEqual([])
    const quarter = spans({ from: '2026-07-01', to: '2026-09-30' })
    expect(quarter.map((each) => each.period.from)).toEqual([
      '2026-04-01',
      '2026-03-01',
      '2026-02-01',
      '2026-01-01',
      '2025-12-01',
      '2025-11-01',
      '2025-10-01',
      '2025-09-01',
      '2025-08-01',
      '2025-07-01',
    ])
  })
})

describe('steps', () => {
  const last = '2026-11-25'
  it.each([
    ['2026-10', -1, undefined, '2026-09'],
    ['2026-09', 1, undefined, '2026-10'],
    ['2026-10', 1, undefined, '2026-11'],
    ['2026-q3', -1, undefined, '2026-q2'],
    ['2025', 1, undefined, '2026'],
    ['2026-11', -1, 'month', '2026-10'],
    ['2026-11', 1, 'month', '2026-11'],
    ['2026-10-29..2026-11-25', -1, undefined, '2026-10-01..2026-10-28'],
    ['2026-10-29..2026-11-25', 1, undefined, '2026-10-29..2026-11-25'],
    ['2026-h1', -1, undefined, '2025-h2'],
  ] as const)('from %s by %d', (address, direction, running, expected) => {
    const { period: given } = parsePeriod(address, last)
    const moved = stepPeriod(given, direction, last, running)
    expect(periodAddress(moved, runningUnit(moved, last))).toBe(expected)
  })
  it('keep a week so far a week: its address is read as the same days', () => {
    const running = { from: '2026-11-23', to: last }
    expect(periodAddress(running, runningUnit(running, last))).toBe('2026-w48')
    for (const day of ['2024-12-30', '2026-01-01', '2026-12-31', '2027-01-03', '2027-01-04'])
      expect(includes(parsePeriod(isoWeekOf(day), '2028-01-01').period, day)).toBe(true)
  })
  it('from a week so far lead to the whole week before', () => {
    expect(stepPeriod({ from: '2026-11-23', to: last }, -1, last, 'week')).toEqual({
      from: '2026-11-16',
      to: '2026-11-22',
    })
  })
})

describe('kinds of period', () => {
  it('are known by their days, and by the words where they are not over', () => {
    expect(periodKind({ from: '2026-10-01', to: '2026-10-31' })).toEqual({ kind: 'months', months: 1 })
    expect(periodKind({ from: '2026-10-01', to: '2026-10-31' }, 'quarter')).toEqual({ kind: 'so far', unit: 'quarter' })
    expect(periodKind(october)).toEqual({ kind: 'days' })
    expect(runningUnit({ from: '2026-11-01', to: '2026-11-25' }, '2026-11-25')).toBe('month')
    expect(runningUnit({ from: '2026-11-23', to: '2026-11-29' }, '2026-11-29')).toBeUndefined()
    expect(runningUnit({ from: '2026-11-01', to: '2026-11-24' }, '2026-11-25')).toBeUndefined()
    expect(runningUnit({ from: '2026-10-01', to: '2026-10-31' }, '2026-10-31')).toBeUndefined()
    expect(
      periodAddress(
        { from: '2026-10-01', to: '2026-10-31' },
        runningUnit({ from: '2026-10-01', to: '2026-10-31' }, '2026-10-31'),
      ),
    ).toBe('2026-10')
  })
})

describe('periods', () => {
  it('are checked', () => {
    expect(() => period('2026-10-02', '2026-10-01')).toThrow('ends (2026-10-01) before it begins')
    expect(() => period('2010-01-01', '2026-10-01')).toThrow('ten years')
    expect(daysEnding('2026-10-28', 7)).toEqual({ from: '2026-10-22', to: '2026-10-28' })
    expect(overlap(october, { from: '2026-10-20', to: '2026-11-03' })).toEqual({ from: '2026-10-20', to: '2026-10-28' })
    expect(overlap(october, { from: '2026-11-01', to: '2026-11-03' })).toBeUndefined()
  })

  it('read as a person would say them', () => {
    expect(describePeriod(october)).toBe('1 to 28 October 2026')
    expect(describePeriod({ from: '2026-09-14', to: '2026-10-03' })).toBe('14 September to 3 October 2026')
    expect(describePeriod({ from: '2025-12-20', to: '2026-01-04' })).toBe('20 December 2025 to 4 January 2026')
    expect(describePeriod({ from: '2026-10-28', to: '2026-10-28' })).toBe('28 October 2026')
    expect(describePeriodShort({ from: '2025-12-20', to: '2026-01-04' })).toBe('20 Dec 2025 – 4 Jan 2026')
    expect(describeAgainst('before', comparison(october, 'before'), october)).toBe('the 28 days before')
    const month = { from: '2026-11-01', to: '2026-11-25' }
    expect(describeAgainst('before', comparison(month, 'before', 'month'), month, 'month')).toBe(
      'the same days of the month before, 1 to 25 October 2026',
    )
    const whole = { from: '2026-10-01', to: '2026-10-31' }
    expect(describeAgainst('before', comparison(whole, 'before'), whole)).toBe(
      'the month before, September 2026 (30 days against 31)',
    )
    expect(describeAgainst('days-before', comparison(whole, 'days-before'), whole)).toBe('the 31 days before')
    expect(describeAgainst('same-dates-last-year', comparison(whole, 'same-dates-last-year'), whole)).toBe(
      'the same month last year',
    )
    expect(describeAgainst('2025-q3', comparisonWith(whole, { from: '2025-07-01', to: '2025-09-30' }), whole)).toBe(
      '1 July to 30 September 2025 (92 days against 31)',
    )
    expect(describeAgainst('none', undefined, october)).toBe('nothing')
  })
})
