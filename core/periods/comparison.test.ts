import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { AGAINST, comparison, counterpart } from './comparison'
import { describeAgainst, describePeriod, describePeriodShort } from './describePeriod'
import { daysEnding, eachDay, includes, lengthOf, overlap, period } from './period'

const october = { from: '2026-10-01', to: '2026-10-28' }

describe('comparison', () => {
  it('takes the days just before', () => {
    expect(comparison(october, 'before')).toEqual({ period: { from: '2026-09-03', to: '2026-09-30' }, pairing: { kind: 'days', days: 28 } })
  })

  it('compares a running month with the same days of the month before', () => {
    expect(comparison(october, 'before', true)?.period).toEqual({ from: '2026-09-01', to: '2026-09-28' })
    expect(comparison({ from: '2027-01-01', to: '2027-01-05' }, 'before', true)?.period).toEqual({ from: '2026-12-01', to: '2026-12-05' })
  })

  it('does not let a running March reach into itself', () => {
    const march = { from: '2026-03-01', to: '2026-03-30' }
    expect(comparison(march, 'before', true)?.period).toEqual({ from: '2026-01-30', to: '2026-02-28' })
  })

  it('goes back to the same dates and to the same weekdays', () => {
    expect(comparison(october, 'same-dates-last-year')?.period).toEqual({ from: '2025-10-01', to: '2025-10-28' })
    expect(comparison(october, 'same-weekdays-last-year')?.period).toEqual({ from: '2025-10-02', to: '2025-10-29' })
    expect(comparison(october, 'none')).toBeUndefined()
  })

  it('leaves 29 February without a counterpart', () => {
    const february = comparison({ from: '2028-02-01', to: '2028-02-29' }, 'same-dates-last-year')!
    expect(february.period).toEqual({ from: '2027-02-01', to: '2027-02-28' })
    expect(counterpart('2028-02-29', february.pairing)).toBeUndefined()
    expect(counterpart('2028-02-28', february.pairing)).toBe('2027-02-28')
    expect(counterpart('2028-03-01', february.pairing)).toBe('2027-03-01')
  })

  it('always pairs days inside the comparison, each at most once, whatever the period', () => {
    const start = fc.integer({ min: 0, max: 4000 }).map((days) => addDays('2022-01-01', days))
    fc.assert(fc.property(start, fc.integer({ min: 1, max: 500 }), fc.constantFrom(...AGAINST), fc.boolean(), (from, days, against, running) => {
      const given = period(from, addDays(from, days - 1))
      const compared = comparison(given, against, running)
      if (!compared) return against === 'none'
      const pairs = eachDay(given).flatMap((day) => counterpart(day, compared.pairing) ?? [])
      expect(new Set(pairs).size).toBe(pairs.length)
      expect(pairs.every((day) => includes(compared.period, day))).toBe(true)
      expect(lengthOf(compared.period) - pairs.length).toBeLessThanOrEqual(against === 'same-dates-last-year' ? 2 : 0)
      expect(compared.period.to < given.from || against.includes('year')).toBe(true)
      return true
    }))
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
    expect(describeAgainst('before', comparison(october, 'before', true), october)).toBe('the same days of the month before')
    expect(describeAgainst('none', undefined, october)).toBe('nothing')
  })
})
