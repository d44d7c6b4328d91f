import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { clockTime, freeSlots, MOST_WEEKS_AHEAD, type WeeklySlot } from './freeSlots'
import { zonedInstant } from './zonedInstant'

const MON_NINE = { weekday: 1, minutes: 540 }
const THU_EVENING = { weekday: 4, minutes: 1110 }
const asked = { zone: 'Europe/London', now: Date.parse('2026-10-29T06:00Z'), taken: [], apart: 1, most: 3 }

describe('the next free slots', () => {
  it('come in the order of time, from now on', () => {
    // the 29th of October 2026 is a Thursday
    expect(freeSlots([MON_NINE, THU_EVENING], asked)).toEqual([
      '2026-10-29T18:30',
      '2026-11-02T09:00',
      '2026-11-05T18:30',
    ])
    expect(freeSlots([THU_EVENING], { ...asked, now: Date.parse('2026-10-29T18:30Z'), most: 1 })).toEqual([
      '2026-11-05T18:30',
    ])
    expect(freeSlots([], asked)).toEqual([])
    expect(freeSlots([MON_NINE], { ...asked, most: 0 })).toEqual([])
  })
  it('keep away from what is planned and from each other', () => {
    const taken = [zonedInstant('2026-10-29T20:00', 'Europe/London')]
    expect(freeSlots([THU_EVENING], { ...asked, taken, apart: 2, most: 1 })).toEqual(['2026-11-05T18:30'])
    expect(freeSlots([THU_EVENING], { ...asked, taken, apart: 1.5, most: 1 })).toEqual(['2026-10-29T18:30'])
    const close: WeeklySlot[] = [THU_EVENING, { weekday: 4, minutes: 1140 }, { weekday: 4, minutes: 1230 }]
    expect(freeSlots(close, { ...asked, apart: 2, most: 2 })).toEqual(['2026-10-29T18:30', '2026-10-29T20:30'])
    expect(freeSlots([THU_EVENING], { ...asked, taken: [Date.parse('2026-10-29T18:30Z')], apart: 0, most: 1 })).toEqual(
      ['2026-11-05T18:30'],
    )
  })
  it('are on the client’s clocks, across the days on which they change, and after the gap where a time is leapt over', () => {
    const night = { weekday: 7, minutes: 90 }
    const found = freeSlots([night], { ...asked, now: Date.parse('2027-03-20T00:00Z'), most: 2 })
    // at 01:00 on 28 March 2027 the clocks of London go to 02:00
    expect(found).toEqual(['2027-03-21T01:30', '2027-03-28T02:30'])
    expect(
      freeSlots([{ weekday: 7, minutes: 1080 }], { ...asked, now: Date.parse('2027-03-22T00:00Z'), most: 2 }),
    ).toEqual(['2027-03-28T18:00', '2027-04-04T18:00'])
  })
  it('end, also where there is none', () => {
    const all = freeSlots([MON_NINE], { ...asked, most: 10_000 })
    expect(all.length).toBeLessThanOrEqual(MOST_WEEKS_AHEAD)
    expect(all.length).toBeGreaterThanOrEqual(MOST_WEEKS_AHEAD - 1)
    const taken = all.map((at) => zonedInstant(at, 'Europe/London'))
    expect(freeSlots([MON_NINE], { ...asked, taken, most: 1 })).toEqual([])
  })
  it('are what a search through every minute finds', () => {
    const slots = [MON_NINE, THU_EVENING, { weekday: 6, minutes: 0 }, { weekday: 6, minutes: 1439 }]
    const wanted: string[] = []
    for (
      let at = DateTime.fromMillis(asked.now + 60_000, { zone: 'America/New_York' });
      wanted.length < 12;
      at = at.plus({ minutes: 1 })
    )
      if (slots.some(({ weekday, minutes }) => weekday === at.weekday && minutes === at.hour * 60 + at.minute))
        wanted.push(at.toFormat("yyyy-MM-dd'T'HH:mm"))
    expect(freeSlots(slots, { ...asked, zone: 'America/New_York', apart: 0, most: 12 })).toEqual(wanted)
    expect(clockTime(1085)).toBe('18:05')
  })
})
