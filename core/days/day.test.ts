import { describe, expect, it } from 'vitest'
import { addDays, dayFromNumber, dayNumber, daysBetween, isDay, lastDayOfMonth, sameDateInYear, weekday } from './day'
import { dayAt, lastCompleteDay } from './lastCompleteDay'

describe('days', () => {
  it('counts from 1970 and back', () => {
    expect(dayNumber('1970-01-02')).toBe(1)
    expect(dayFromNumber(dayNumber('2026-10-28'))).toBe('2026-10-28')
    expect(dayNumber('1969-12-31')).toBe(-1)
  })

  it('knows leap days', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29')
    expect(addDays('2026-02-28', 1)).toBe('2026-03-01')
    expect(lastDayOfMonth(2100, 2)).toBe('2100-02-28')
    expect(daysBetween('2028-01-01', '2029-01-01')).toBe(366)
  })

  it('refuses days that do not exist', () => {
    expect(isDay('2026-02-29')).toBe(false)
    expect(isDay('2026-13-01')).toBe(false)
    expect(isDay('28/10/2026')).toBe(false)
    expect(() => dayNumber('2026-02-30')).toThrow('there is no 2026-02-30')
  })

  it('numbers weekdays from Monday', () => {
    expect(weekday('2026-10-26')).toBe(1)
    expect(weekday('2026-10-25')).toBe(7)
    expect(weekday('1960-02-29')).toBe(1)
  })

  it('has no 29 February in other years', () => {
    expect(sameDateInYear('2028-02-29', 2027)).toBeUndefined()
    expect(sameDateInYear('2028-03-01', 2027)).toBe('2027-03-01')
  })
})

describe('the last complete day', () => {
  it('is yesterday in the zone of the client, not in UTC', () => {
    const lateEvening = Date.parse('2026-10-28T23:30:00Z')
    expect(lastCompleteDay(lateEvening, 'Europe/London')).toBe('2026-10-27')
    expect(lastCompleteDay(lateEvening, 'Pacific/Auckland')).toBe('2026-10-28')
    expect(lastCompleteDay(lateEvening, 'America/New_York')).toBe('2026-10-27')
  })

  it('follows the clock changes', () => {
    expect(dayAt(Date.parse('2026-03-28T23:30:00Z'), 'Europe/London')).toBe('2026-03-28')
    expect(dayAt(Date.parse('2026-03-29T23:30:00Z'), 'Europe/London')).toBe('2026-03-30')
    expect(dayAt(Date.parse('2026-10-24T23:30:00Z'), 'Europe/London')).toBe('2026-10-25')
    expect(dayAt(Date.parse('2026-10-25T23:30:00Z'), 'Europe/London')).toBe('2026-10-25')
  })

  it('refuses a zone that nobody knows', () => {
    expect(() => dayAt(0, 'Europe/Nowhere')).toThrow('is not a time zone')
  })
})
