import { dayNumber, type Day } from '../days/day'
import type { Period } from '../periods/period'

/** A count of different people over some days that end with one. */
export interface PeopleWindow {
  /** The last day of it. */
  day: Day
  /** How many days it has. */
  length: number
  people: number
}

/**
 * Between which bounds the number of different people over a period lies, from counts over shorter times: never their
 * sum, since somebody who comes on two days is one person.
 *
 * At least: as many as in the fullest window within the period. At most: the cheapest windows that cover its days,
 * added (they may reach over its beginning); a window of the very days is the number itself. Where a day is in no
 * window, nothing bounds it from above and nobody is counted for it.
 *
 * @param windows  counts with their days, in any order
 * @param period   the days
 * @returns        undefined where no window lies in the period
 * @example        peopleOver([{ day: '2026-10-01', length: 1, people: 5 }, { day: '2026-10-02', length: 1, people: 3 }],
 *                            { from: '2026-10-01', to: '2026-10-02' }) // { low: 5, high: 8 }
 */
export function peopleOver(
  windows: readonly PeopleWindow[],
  { from, to }: Period,
): { low: number; high: number } | undefined {
  const [first, last] = [dayNumber(from), dayNumber(to)]
  const ending = new Map<number, { start: number; people: number }[]>()
  let low: number | undefined
  for (const { day, length, people } of windows) {
    const end = dayNumber(day)
    const start = end - length + 1
    if (end < first || start > last) continue
    if (start === first && end === last) return { low: people, high: people }
    if (start >= first && end <= last) low = Math.max(low ?? 0, people)
    if (end <= last) ending.set(end, [...(ending.get(end) ?? []), { start, people }])
  }
  if (low === undefined) return undefined
  // the cheapest way to cover the days up to each day; a day that no window ends on or reaches costs nothing
  const cost = new Map<number, number>([[first - 1, 0]])
  for (let day = first; day <= last; day++) {
    const before = cost.get(day - 1)!
    const choices = (ending.get(day) ?? []).map(
      ({ start, people }) => people + (cost.get(Math.max(start, first) - 1) ?? 0),
    )
    cost.set(day, choices.length > 0 ? Math.min(...choices) : before)
  }
  return { low, high: Math.max(low, cost.get(last)!) }
}
