import { expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { cheapestCover, coversBeside, dayCost, type PeopleWindows } from './cover'

const column = (key: string, round: number, days: number, most: number) =>
  Float64Array.from({ length: days }, (_, index) =>
    unit(key, `gap ${round}`, index) < 0.2 ? Number.NaN : Math.floor(unit(key, round, index) * most),
  )

/** Windows of forty days in which a fifth of the figures is missing; costs often are the same. */
const windowsOf = (round: number): PeopleWindows => ({
  first: 0,
  one: column('one', round, 40, 9),
  seven: column('seven', round, 40, 25),
  twentyEight: column('twenty-eight', round, 40, 60),
  ceiling: column('ceiling', round, 40, 12),
  names: { people: 'Reach', ceiling: 'Impressions' },
})

/** The fewest people of any choice of windows that covers the days from one to another, each tried. */
function fewest(windows: PeopleWindows, from: number, to: number, needs: (day: number) => boolean): number {
  if (from > to) return 0
  if (!needs(to)) return fewest(windows, from, to - 1, needs)
  const sizes = [
    { length: 7, values: windows.seven },
    { length: 28, values: windows.twentyEight },
  ]
  const known = new Map<number, number>()
  const before = (day: number): number => {
    if (!known.has(day)) known.set(day, fewest(windows, from, day, needs))
    return known.get(day)!
  }
  return Math.min(
    dayCost(windows, to) + before(to - 1),
    ...sizes.flatMap(({ length, values }) =>
      Array.from({ length }, (_, index) => to + index).flatMap((end) =>
        values[end]! >= 0 ? [values[end]! + before(end - length)] : [],
      ),
    ),
  )
}

it('finds the fewest people of all windows that cover some days, as trying each does', () => {
  for (let round = 0; round < 60; round++) {
    const windows = windowsOf(round)
    const needs = Uint8Array.from({ length: 9 }, (_, index) => (unit('needs', round, index) < 0.7 ? 1 : 0))
    const least = fewest(windows, 12, 20, (day) => needs[day - 12] === 1)
    const tiles = cheapestCover(windows, 12, 9, needs)
    expect(tiles?.reduce((sum, { people }) => sum + people, 0) ?? Infinity).toBe(least)
    for (const { length, end, people } of tiles ?? [])
      expect(people).toBe(
        length === 1 ? dayCost(windows, end) : (length === 7 ? windows.seven : windows.twentyEight)[end],
      )
  }
})

it('finds the fewest for every number of days after an edge, and before one', () => {
  for (let round = 0; round < 60; round++) {
    const windows = windowsOf(round)
    const after = coversBeside(windows, 11, 1, 9)
    const backwards = coversBeside(windows, 21, -1, 9)
    for (let days = 1; days <= 9; days++) {
      expect(after.people[days]).toBe(fewest(windows, 12, 11 + days, () => true))
      expect(backwards.people[days]).toBe(fewest(windows, 21 - days, 20, () => true))
    }
  }
})
