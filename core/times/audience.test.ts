import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { arrivals } from './arrivals'
import { audienceThere, hoursTogether, type HourThere } from './audienceThere'
import { fromOwnHours, zonesOfCountry } from './fromOwnHours'
import { seeded } from './seeded'

const HOUR = 3_600_000
/** Five weeks of hours: as many people as `of` says, of a thousand followers. */
function weeks(of: (slot: number, week: number) => number | undefined): HourThere[] {
  const monday = Date.parse('2026-09-07T00:00Z')
  return Array.from({ length: 5 * 168 }, (_, index) => index).flatMap((index) => {
    const people = of(index % 168, Math.floor(index / 168))
    return people === undefined ? [] : [{ at: monday + index * HOUR, people, followers: 1000 }]
  })
}

describe('audienceThere', () => {
  it('tells people, their share of all and their share of the fullest hour', () => {
    const slots = audienceThere(
      weeks((slot) => (slot === 92 ? 230 : slot === 60 ? 115 : 23)),
      'UTC',
    )
    expect(slots[92]).toMatchObject({ people: 230, ofAll: 0.23, ofFullest: 1, days: 5, group: 1 })
    expect(slots[60]).toMatchObject({ people: 115, ofAll: 0.115, ofFullest: 0.5, group: 2 })
    expect(slots[3]!.ofFullest).toBeCloseTo(0.1, 12)
  })
  it('groups hours that cannot be told apart', () => {
    const random = seeded(3)
    const slots = audienceThere(
      weeks((slot) => Math.round((slot === 92 || slot === 93 ? 230 : 100) * (0.93 + 0.14 * random()))),
      'UTC',
    )
    expect([slots[92]!.group, slots[93]!.group]).toEqual([1, 1])
    expect(slots[20]!.group).toBe(2)
  })
  it('does not group what was counted once', () => {
    const slots = audienceThere(
      weeks((slot, week) => (week === 0 ? slot + 1 : undefined)),
      'UTC',
    )
    expect(slots[5]).toEqual({ slot: 5, people: 6, ofAll: 0.006, ofFullest: 6 / 168, days: 1 })
  })
  it('leaves out what is not known', () => {
    const slots = audienceThere(
      weeks((slot) => (slot === 3 ? undefined : 10)),
      'UTC',
    )
    expect(slots[3]).toBeUndefined()
    expect(audienceThere([], 'UTC').every((slot) => slot === undefined)).toBe(true)
  })
  it('is told in the week of another zone, also of one a quarter of an hour off', () => {
    const hours = weeks((slot) => (slot === 92 ? 100 : 0))
    // Thursday 20:00 UTC is Friday 01:45 in Kathmandu: a quarter of an hour in the one hour, three in the next
    const slots = audienceThere(hours, 'Asia/Kathmandu')
    expect([slots[97]!.people, slots[98]!.people]).toEqual([25, 75])
  })
})

describe('hoursTogether', () => {
  it('adds people and followers where all are known', () => {
    const one = weeks(() => 100)
    const two = weeks((slot) => (slot === 3 ? undefined : 300))
    const slots = audienceThere(hoursTogether([one, two]), 'UTC')
    expect(slots[92]).toMatchObject({ people: 400, ofAll: 0.2, ofFullest: 1, days: 5, group: 1 })
    expect(slots[3]).toBeUndefined()
    expect(hoursTogether([one])).toEqual(one)
    expect(hoursTogether([])).toEqual([])
  })
})

describe('fromOwnHours', () => {
  const own = ['2026-07-01', '2026-07-02', '2026-07-03'].flatMap((day) =>
    Array.from({ length: 24 }, (_, hour) => ({ day, hour, people: hour === 20 ? 100 : 0, followers: 1000 })),
  )
  it('moves each country to the hour that it has', () => {
    // 20:00 in London is 19:00 UTC, in Berlin 18:00 UTC
    const hours = fromOwnHours(own, { GB: 75, DE: 25 })
    const at = (iso: string) => hours.find((each) => each.at === Date.parse(iso))!.people
    expect([at('2026-07-02T19:00Z'), at('2026-07-02T18:00Z'), at('2026-07-02T17:00Z')]).toEqual([75, 25, 0])
  })
  it('leaves out hours of which a country is not known, and countries that there are not', () => {
    const hours = fromOwnHours(own, { GB: 75, DE: 25, XX: 900 })
    expect(hours[0]!.at).toBe(Date.parse('2026-06-30T23:00Z'))
    expect(hours).toHaveLength(71)
    expect(fromOwnHours(own, { XX: 1 })).toEqual([])
  })
  it('shares people out among the zones of a country', () => {
    expect(zonesOfCountry('IE')).toEqual([{ zone: 'Europe/Dublin', share: 1 }])
    for (const country of ['US', 'CA', 'AU', 'BR', 'RU', 'KZ', 'GB'])
      expect(zonesOfCountry(country).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9)
    expect(zonesOfCountry('US')[0]!.zone).toBe('America/New_York')
    expect(zonesOfCountry('XX')).toEqual([])
  })
})

describe('arrivals', () => {
  const at = (iso: string) => Date.parse(iso)
  it('spreads what came between two looks over the time between them', () => {
    const { slots, all, placed } = arrivals(
      [
        {
          publishedAt: at('2026-10-29T20:30Z'),
          looks: [
            { at: at('2026-10-29T21:30Z'), value: 8 },
            { at: at('2026-10-30T21:30Z'), value: 20 },
          ],
        },
      ],
      'UTC',
    )
    expect([all, placed]).toEqual([20, 8])
    expect([slots![92], slots![93]]).toEqual([0.5, 0.5])
  })
  it('counts nothing for what was taken back, and has no slots where nothing could be placed', () => {
    const post = {
      publishedAt: 0,
      looks: [
        { at: HOUR, value: 8 },
        { at: 2 * HOUR, value: 6 },
        { at: 3 * HOUR, value: 7 },
      ],
    }
    expect(arrivals([post], 'UTC')).toMatchObject({ all: 9, placed: 9 })
    expect(arrivals([{ publishedAt: 0, looks: [{ at: 9 * HOUR, value: 8 }] }], 'UTC')).toEqual({ all: 8, placed: 0 })
    expect(arrivals([], 'UTC').slots).toBeUndefined()
  })
  it('adds up to one', () => {
    const random = seeded(5)
    const posts = Array.from({ length: 40 }, (_, index) => {
      const publishedAt = Date.parse(`${addDays('2026-01-01', index)}T00:00Z`) + random() * 24 * HOUR
      let value = 0
      return {
        publishedAt,
        looks: [1, 2, 4, 8, 12].map((hours) => ({ at: publishedAt + hours * HOUR, value: (value += random() * 50) })),
      }
    })
    expect(arrivals(posts, 'Europe/London').slots!.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 9)
  })
})
