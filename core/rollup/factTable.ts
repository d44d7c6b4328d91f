import { dayFromNumber, dayNumber, type Day } from '../days/day'
import { FACT_COLUMNS, type FactColumn } from '../metrics/storedFigures'

/**
 * One profile on one day, as a person or a file would write it. An absent figure is null or left out; it is never zero.
 */
export type ProfileDay = { profile: number; day: Day } & Partial<Record<FactColumn, number | null>>

/** Daily figures by column, sorted by profile and then by day. An absent figure is NaN. */
export interface FactTable {
  /** Day numbers (see `dayNumber`), one for each row. */
  days: Int32Array
  columns: Record<FactColumn, Float64Array>
  /** The rows of each profile: from `start` up to, but not including, `end`. */
  ranges: { profile: number; start: number; end: number }[]
}

/**
 * A fact table from rows in any order.
 *
 * @throws RangeError when a profile has a day twice
 * @example factTable([{ profile: 1, day: '2026-10-01', impressions: 120 }])
 */
export function factTable(rows: readonly ProfileDay[]): FactTable {
  const isSorted = rows.every((row, index) => index === 0 || before(rows[index - 1]!, row) <= 0)
  const sorted = isSorted ? rows : [...rows].sort(before)
  const days = new Int32Array(sorted.length)
  for (let row = 0; row < sorted.length; row++) days[row] = dayNumber(sorted[row]!.day)
  const columns = Object.fromEntries(FACT_COLUMNS.map((column) => [column, columnOf(sorted, column)])) as Record<
    FactColumn,
    Float64Array
  >
  const ranges: FactTable['ranges'] = []
  sorted.forEach(({ profile }, row) => {
    const last = ranges.at(-1)
    if (last?.profile !== profile) return ranges.push({ profile, start: row, end: row + 1 })
    if (days[row] === days[row - 1]) throw new RangeError(`profile ${profile} has ${dayFromNumber(days[row]!)} twice`)
    return (last.end = row + 1)
  })
  return { days, columns, ranges }
}

function columnOf(rows: readonly ProfileDay[], column: FactColumn): Float64Array {
  const values = new Float64Array(rows.length).fill(Number.NaN)
  for (let row = 0; row < rows.length; row++) {
    const value = rows[row]![column]
    if (value !== null && value !== undefined) values[row] = value
  }
  return values
}

const before = (a: ProfileDay, b: ProfileDay): number =>
  a.profile - b.profile || (a.day < b.day ? -1 : a.day > b.day ? 1 : 0)
