import fc from 'fast-check'
import { DateTime } from 'luxon'
import { expect, it } from 'vitest'
import { readInstant } from '../imports/readInstant'
import { dayAt } from './lastCompleteDay'
import { steadyOffset } from './steadyOffset'

/** Zones whose clocks are changed at odd times, by half an hour, or by a whole day. */
const ZONES = [
  'Europe/London',
  'America/St_Johns',
  'Australia/Lord_Howe',
  'Pacific/Apia',
  'Africa/Casablanca',
  'Asia/Kathmandu',
  'UTC',
]
const WEEK = 7 * 86_400_000
const [FIRST, LAST] = [Date.parse('2000-01-01T00:00:00Z'), Date.parse('2030-01-01T00:00:00Z')]

/** When the clocks of a zone are changed, looked for week by week and then to the minute. */
function changesOf(zone: string): number[] {
  const offset = (at: number) => DateTime.fromMillis(at, { zone }).offset
  const found: number[] = []
  for (let from = FIRST; from < LAST; from += WEEK) {
    let [low, high] = [from, from + WEEK]
    if (offset(low) === offset(high)) continue
    while (high - low > 60_000) {
      const middle = low + Math.floor((high - low) / 120_000) * 60_000
      if (offset(middle) === offset(low)) low = middle
      else high = middle
    }
    found.push(high)
  }
  return found
}
const CHANGES = ZONES.flatMap((zone) => changesOf(zone).map((at) => ({ zone, at })))
/** Moments within two days of a change of the clocks. */
const nearChanges = fc
  .tuple(fc.constantFrom(...CHANGES), fc.integer({ min: -172_800, max: 172_800 }))
  .map(([{ zone, at }, seconds]) => ({ zone, at: at + seconds * 1000 }))
const moments = fc.integer({ min: FIRST / 1000, max: LAST / 1000 }).map((seconds) => seconds * 1000)
const times = fc.oneof(fc.record({ zone: fc.constantFrom(...ZONES), at: moments }), nearChanges)

it('knows zones whose clocks are changed', () => expect(CHANGES.length).toBeGreaterThan(200))

it('is what the clocks show, or nothing where they are changed about then', () => {
  fc.assert(
    fc.property(times, ({ zone, at }) => {
      const steady = steadyOffset(at, zone)
      if (steady !== undefined) expect(steady).toBe(DateTime.fromMillis(at, { zone }).offset * 60_000)
    }),
    { numRuns: 1000 },
  )
  expect(steadyOffset(Date.parse('2026-07-01T12:00:00Z'), 'Europe/London')).toBe(3_600_000)
  expect(steadyOffset(Date.parse('2026-03-29T12:00:00Z'), 'Europe/London')).toBeUndefined()
  expect(() => steadyOffset(0, 'Farrow/Quay')).toThrow(RangeError)
})

it('gives days and times as they are found without it', () => {
  fc.assert(
    fc.property(times, ({ zone, at }) => {
      expect(dayAt(at, zone)).toBe(DateTime.fromMillis(at, { zone }).toISODate())
      const clock = new Date(at).toISOString().slice(0, 19)
      const wanted = DateTime.fromISO(clock, { zone })
      if (wanted.toFormat("yyyy-MM-dd'T'HH:mm:ss") !== clock)
        expect(() => readInstant(clock, 'year-month-day', zone)).toThrow('no time that was on the clock')
      else expect(readInstant(clock, 'year-month-day', zone).getTime()).toBe(wanted.toMillis())
    }),
    { numRuns: 1000 },
  )
  expect(() => dayAt(0, 'Farrow/Quay')).toThrow(RangeError)
})
