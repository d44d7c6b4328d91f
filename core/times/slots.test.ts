import { describe, expect, it } from 'vitest'
import { hourClock, localClock, nextOfSlot, slotName, slotOf, slotsApart, slotTotals } from './slots'

const slotIn = (zone: string, iso: string) => slotOf(localClock(zone)(Date.parse(iso)))

describe('slots', () => {
  it('begin on Monday at midnight', () => {
    expect(slotIn('UTC', '2026-10-26T00:00Z')).toBe(0)
    expect(slotIn('UTC', '2026-11-01T23:59Z')).toBe(167)
    expect(slotIn('UTC', '1969-12-29T00:30Z')).toBe(0)
    expect([slotName(0), slotName(92), slotName(167)]).toEqual(['Monday 00:00', 'Thursday 20:00', 'Sunday 23:00'])
  })
  it('follow the clocks of a zone', () => {
    // a Thursday in summer and one in winter
    expect(slotIn('Europe/London', '2026-07-02T19:30Z')).toBe(92)
    expect(slotIn('Europe/London', '2026-10-29T20:30Z')).toBe(92)
    // a zone that is half an hour off, and moves by half an hour
    expect(slotIn('Australia/Lord_Howe', '2026-07-02T09:30Z')).toBe(92)
    expect(slotIn('Australia/Lord_Howe', '2026-01-01T09:00Z')).toBe(92)
  })
  it('have the hour that comes twice twice, and not the one that is left out', () => {
    const hours = (zone: string, from: string, many: number) =>
      Array.from({ length: many }, (_, hour) => slotOf(localClock(zone)(Date.parse(from) + hour * 3_600_000)) % 24)
    expect(hours('Europe/London', '2026-10-25T00:00Z', 3)).toEqual([1, 1, 2])
    expect(hours('Europe/London', '2026-03-29T00:00Z', 3)).toEqual([0, 2, 3])
    expect(hours('America/New_York', '2026-11-01T05:00Z', 3)).toEqual([1, 1, 2])
    expect(hours('Asia/Tokyo', '2026-03-28T15:00Z', 3)).toEqual([0, 1, 2])
  })
  it('lie around the week', () => {
    expect([slotsApart(0, 167), slotsApart(10, 94), slotsApart(5, 5)]).toEqual([1, 84, 0])
  })
  it('add up what is counted', () => {
    const totals = slotTotals(
      [
        { at: Date.parse('2026-10-29T20:15Z'), value: 3 },
        { at: Date.parse('2026-10-22T19:15Z'), value: 2 },
      ],
      'Europe/London',
    )
    expect(totals[92]).toBe(5)
    expect(totals.reduce((sum, value) => sum + value, 0)).toBe(5)
  })
  it('refuse a zone that is none', () => {
    expect(() => localClock('Farrow/Port')).toThrow('is not a time zone')
    expect(() => hourClock('Farrow/Port')).toThrow('is not a time zone')
    expect(() => nextOfSlot(0, 0, 'Farrow/Port')).toThrow('is not a time zone')
  })
})

describe('hourClock', () => {
  it('finds the instant of an hour, but not of one that is left out', () => {
    const clock = hourClock('Europe/London')
    expect(new Date(clock('2026-07-02', 20)!).toISOString()).toBe('2026-07-02T19:00:00.000Z')
    expect(new Date(clock('2026-10-29', 20)!).toISOString()).toBe('2026-10-29T20:00:00.000Z')
    expect(new Date(clock('2026-03-29', 3)!).toISOString()).toBe('2026-03-29T02:00:00.000Z')
    expect(clock('2026-03-29', 1)).toBeUndefined()
  })
  it('is the way back from the clocks of a zone', () => {
    for (const zone of ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu'])
      for (const day of ['2026-01-01', '2026-04-05', '2026-07-02', '2026-12-31']) {
        const at = hourClock(zone)(day, 9)!
        expect(new Date(localClock(zone)(at)).toISOString()).toBe(`${day}T09:00:00.000Z`)
      }
  })
})

describe('nextOfSlot', () => {
  it('is the next time, never the present one', () => {
    const at = nextOfSlot(92, Date.parse('2026-10-29T06:00Z'), 'Europe/London')!
    expect(new Date(at).toISOString()).toBe('2026-10-29T20:00:00.000Z')
    expect(new Date(nextOfSlot(92, at, 'Europe/London')!).toISOString()).toBe('2026-11-05T20:00:00.000Z')
  })
  it('leaves out the week in which its hour does not exist', () => {
    // Sunday 01:00 of 29 March is not there
    const at = nextOfSlot(145, Date.parse('2026-03-25T00:00Z'), 'Europe/London')!
    expect(new Date(at).toISOString()).toBe('2026-04-05T00:00:00.000Z')
  })
})
