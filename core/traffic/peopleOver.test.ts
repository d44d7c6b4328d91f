import { describe, expect, it } from 'vitest'
import { addDays } from '../days/day'
import { unit } from '../../demo/random'
import { peopleOver, type PeopleWindow } from './peopleOver'

const day = (people: number, on: string, length: PeopleWindow['length'] = 1): PeopleWindow => ({
  day: on,
  length,
  people,
})
const WEEK = { from: '2026-10-05', to: '2026-10-11' }

describe('people over a period', () => {
  it('are as many as in the fullest window at least, and as the cheapest cover at most', () => {
    const days = [5, 3, 4, 0, 2, 6, 1].map((people, index) => day(people, addDays(WEEK.from, index)))
    expect(peopleOver(days, WEEK)).toEqual({ low: 6, high: 21 })
    expect(peopleOver([...days, day(12, '2026-10-11', 7)], WEEK)).toEqual({ low: 12, high: 12 })
    expect(peopleOver([...days, day(9, '2026-10-08', 7)], WEEK)).toEqual({ low: 6, high: 18 })
  })
  it('are covered by windows that overlap and reach over both ends, where that is cheaper', () => {
    const period = { from: '2026-10-05', to: '2026-10-14' }
    const days = [9, 9, 9, 9, 9, 9, 9, 9, 9, 9].map((people, index) => day(people, addDays(period.from, index)))
    // 5 to 11 October and 8 to 14 October overlap; the second alone with three days would be 12 + 27
    expect(peopleOver([...days, day(12, '2026-10-11', 7), day(12, '2026-10-14', 7)], period)?.high).toBe(24)
    // 12 to 18 October covers the last days though it ends after them
    expect(peopleOver([...days, day(12, '2026-10-11', 7), day(10, '2026-10-18', 7)], period)?.high).toBe(22)
  })
  it('are not bounded from above where a day is not known: it is not free', () => {
    const period = { from: '2026-10-05', to: '2026-10-13' }
    const known = [day(100, '2026-10-11', 7), day(1, '2026-10-13')]
    expect(peopleOver(known, period)).toEqual({ low: 100 })
    expect(peopleOver(known, period, [{ day: '2026-10-12', count: 30 }])).toEqual({ low: 100, high: 131 })
  })
  it('are not known where nobody counted', () => {
    expect(peopleOver([], WEEK)).toBeUndefined()
    expect(peopleOver([day(4, '2026-10-04')], WEEK)).toBeUndefined()
  })
  it('never lie outside the bounds, of simulated people', () => {
    for (let world = 0; world < 200; world++) {
      const came = Array.from({ length: 40 }, (_, person) =>
        Array.from({ length: 42 }, (_, at) => unit('came', world, person, at) < unit('habit', world, person) * 0.4),
      )
      const people = (start: number, end: number) =>
        came.filter((days) => days.slice(start, end + 1).some(Boolean)).length
      const windows = Array.from({ length: 42 }, (_, at) => at).flatMap((at) =>
        ([1, 7, 28] as const)
          .filter((length) => at - length + 1 >= 0)
          .map((length) => day(people(at - length + 1, at), addDays('2026-09-01', at), length)),
      )
      const start = Math.floor(unit('start', world) * 30)
      const end = start + Math.floor(unit('end', world) * (41 - start))
      const bounds = peopleOver(windows, { from: addDays('2026-09-01', start), to: addDays('2026-09-01', end) })!
      expect(people(start, end)).toBeGreaterThanOrEqual(bounds.low)
      expect(people(start, end)).toBeLessThanOrEqual(bounds.high!)
    }
  })
})
