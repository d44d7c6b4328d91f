import fc from 'fast-check'
import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { addDays, dayFromNumber, daysBetween, isDay, lastDayOfMonth, weekday } from '../../core/days/day'
import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import { isoWeek } from '../../core/periods/isoWeek'

const day = fc.integer({ min: -30_000, max: 60_000 }).map(dayFromNumber)

describe('the calendar, against luxon', () => {
  it('counts, numbers weekdays and ends months alike, from 1887 to 2134', () => {
    fc.assert(
      fc.property(day, fc.integer({ min: -800, max: 800 }), (from, days) => {
        const other = DateTime.fromISO(from, { zone: 'utc' })
        expect(addDays(from, days)).toBe(other.plus({ days }).toISODate())
        expect(daysBetween(from, addDays(from, days))).toBe(days)
        expect(weekday(from)).toBe(other.weekday)
        expect(lastDayOfMonth(other.year, other.month)).toBe(other.endOf('month').toISODate())
      }),
    )
  })

  it('knows the last complete day in every zone at every hour, clock changes included', () => {
    const zone = fc.constantFrom(
      'Europe/London',
      'America/New_York',
      'Pacific/Auckland',
      'Asia/Kathmandu',
      'America/Sao_Paulo',
      'Pacific/Apia',
    )
    fc.assert(
      fc.property(fc.integer({ min: Date.parse('2020-01-01'), max: Date.parse('2030-01-01') }), zone, (now, where) => {
        expect(lastCompleteDay(now, where)).toBe(
          DateTime.fromMillis(now, { zone: where }).startOf('day').minus({ days: 1 }).toISODate(),
        )
      }),
    )
  })
})

describe('weeks as ISO 8601 numbers them', () => {
  // ISO 8601:2004, 2.2.10 and the examples given with it: week 1 holds the first Thursday; 2009-W53 ends on 3 January
  // 2010
  it.each([
    [2008, 1, '2007-12-31', '2008-01-06'],
    [2009, 53, '2009-12-28', '2010-01-03'],
    [2010, 1, '2010-01-04', '2010-01-10'],
    [2026, 53, '2026-12-28', '2027-01-03'],
  ])('%d, week %d', (year, week, from, to) => {
    expect(isoWeek(year, week)).toEqual({ from, to })
  })
  it('agree with luxon for forty years, and refuse a week 53 where there is none', () => {
    for (let year = 2000; year < 2040; year++) {
      const weeks = DateTime.fromObject({ weekYear: year, weekNumber: 1 }).weeksInWeekYear
      for (let week = 1; week <= weeks; week++)
        expect(isoWeek(year, week).from).toBe(
          DateTime.fromObject({ weekYear: year, weekNumber: week, weekday: 1 }).toISODate(),
        )
      if (weeks === 52) expect(() => isoWeek(year, 53)).toThrow('has no week 53')
    }
  })
  it('are made of days that exist', () => expect(isDay(isoWeek(2027, 1).from)).toBe(true))
})
