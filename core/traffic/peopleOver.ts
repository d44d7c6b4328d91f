import { dayNumber, type Day } from '../days/day'
import { calculator } from '../figures/working'
import type { Period } from '../periods/period'
import { reachBounds } from '../reach/reachBounds'

/** A count of different people over some days that end with one. */
export interface PeopleWindow {
  /** The last day of it. */
  day: Day
  /** How many days it has. */
  length: 1 | 7 | 28
  people: number
}

/** What no day's number of people can exceed: its visits or its views. */
export interface PeopleCeiling {
  day: Day
  count: number
}

/** Between which bounds a number of people lies; nothing bounds it from above where `high` is absent. */
export interface PeopleRange {
  low: number
  high?: number
}

/**
 * Between which bounds the number of different people over a period lies, from counts over other times: never their
 * sum, since somebody who comes on two days is one person. The bounds are those of reach: at most the cheapest windows
 * that cover the days, which may overlap and reach over the ends; at least the largest window inside, or one that
 * reaches over the ends less what the days outside can have brought. A day of which nothing is known counts with its
 * ceiling, and where it has none nothing bounds the people from above.
 *
 * @param windows   counts with their days, in any order, also of the 27 days before and after the period
 * @param ceilings  visits or views of days
 * @param period    the days
 * @returns         undefined where nothing is known of any day
 * @example         peopleOver([{ day: '2026-10-01', length: 1, people: 5 }, { day: '2026-10-02', length: 1, people: 3 }],
 *                             { from: '2026-10-01', to: '2026-10-02' }) // { low: 5, high: 8 }
 */
export function peopleOver(
  windows: readonly PeopleWindow[],
  period: Period,
  ceilings: readonly PeopleCeiling[] = [],
): PeopleRange | undefined {
  if (windows.length === 0) return undefined
  const numbers = [...windows, ...ceilings].map(({ day }) => dayNumber(day))
  const first = numbers.reduce((least, number) => Math.min(least, number), dayNumber(period.from))
  const last = numbers.reduce((most, number) => Math.max(most, number), dayNumber(period.to))
  const none = () => new Float64Array(last - first + 1).fill(Number.NaN)
  const [columns, ceiling] = [{ 1: none(), 7: none(), 28: none() }, none()]
  for (const { day, length, people } of windows) columns[length][dayNumber(day) - first] = people
  for (const { day, count } of ceilings) ceiling[dayNumber(day) - first] = count
  const bounds = reachBounds(
    calculator(false),
    {
      first,
      one: columns[1],
      seven: columns[7],
      twentyEight: columns[28],
      ceiling,
      names: { people: 'Visitors', ceiling: 'Visits' },
    },
    period,
  )
  return bounds && { low: bounds.low.value, ...(bounds.high && { high: bounds.high.value }) }
}
