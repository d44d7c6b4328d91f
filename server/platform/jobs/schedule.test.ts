import { expect, it } from 'vitest'
import { nextTime } from './schedule'

const next = (pattern: string, zone: string, after: string) => nextTime(pattern, zone, new Date(after)).toISOString()

it.each([
  // Mondays at nine in London: an hour later by UTC once the clocks have gone back
  ['0 9 * * 1', 'Europe/London', '2026-10-19T08:00:00Z', '2026-10-26T09:00:00.000Z'],
  ['0 9 * * 1', 'Europe/London', '2026-10-12T09:00:00Z', '2026-10-19T08:00:00.000Z'],
  // half past two is left out on 8 March 2026 in New York: it is made up for as soon as that hour is over; half past one
  // comes twice on 1 November, and counts once
  ['30 2 * * *', 'America/New_York', '2026-03-08T05:00:00Z', '2026-03-08T07:00:00.000Z'],
  ['30 1 * * *', 'America/New_York', '2026-11-01T05:30:00Z', '2026-11-02T06:30:00.000Z'],
  ['0 7 1 * *', 'Asia/Kolkata', '2026-10-31T12:00:00Z', '2026-11-01T01:30:00.000Z'],
  ['17 * * * *', 'UTC', '2026-10-31T12:17:00Z', '2026-10-31T13:17:00.000Z'],
  ['0 0 29 2 *', 'UTC', '2026-03-01T00:00:00Z', '2028-02-29T00:00:00.000Z'],
])('%s in %s after %s is %s', (pattern, zone, after, expected) => expect(next(pattern, zone, after)).toBe(expected))

it('refuses what has no meaning', () => {
  expect(() => next('0 25 * * *', 'UTC', '2026-01-01T00:00:00Z')).toThrow()
  expect(() => next('0 0 * *', 'UTC', '2026-01-01T00:00:00Z')).toThrow()
  expect(() => next('0 9 * * *', 'Atlantis/Capital', '2026-01-01T00:00:00Z')).toThrow()
})
