import type { FactColumn } from '../metrics/storedFigures'
import type { FactTable } from './factTable'

/**
 * A profile day by day without holes: entry 0 of every column is the day with number `first`. An absent figure is NaN.
 */
export interface DenseDays {
  first: number
  columns: Partial<Record<FactColumn, Float64Array>>
}

/** The value of a column on a day, by the day's number; NaN where there is none. */
export function valueOn({ first, columns }: DenseDays, column: FactColumn, day: number): number {
  return columns[column]?.[day - first] ?? Number.NaN
}

/** What was made before of the rows that begin at a place: a table's columns do not change. */
const made = new WeakMap<FactTable['columns'], Map<number, DenseDays>>()

/**
 * The profiles of a table day by day, in the order of its ranges. Rows that follow each other without a gap are looked
 * at where they are; only those with gaps are copied.
 *
 * @example denseDays(factTable(rows))[0].columns.impressions
 */
export function denseDays(table: FactTable): DenseDays[] {
  const known = made.get(table.columns) ?? new Map<number, DenseDays>()
  made.set(table.columns, known)
  return table.ranges.map((range) => {
    const dense = known.get(range.start) ?? denseRange(table, range)
    known.set(range.start, dense)
    return dense
  })
}

function denseRange({ days, columns }: FactTable, { start, end }: { start: number; end: number }): DenseDays {
  const first = days[start]!
  const length = days[end - 1]! - first + 1
  if (length === end - start) return { first, columns: mapped(columns, (values) => values.subarray(start, end)) }
  return {
    first,
    columns: mapped(columns, (values) => {
      const dense = new Float64Array(length).fill(Number.NaN)
      for (let row = start; row < end; row++) dense[days[row]! - first] = values[row]!
      return dense
    }),
  }
}

const mapped = (columns: FactTable['columns'], change: (values: Float64Array) => Float64Array): DenseDays['columns'] =>
  Object.fromEntries(Object.entries(columns).map(([column, values]) => [column, change(values)]))
