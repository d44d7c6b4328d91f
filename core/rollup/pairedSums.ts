import { dayFromNumber, dayNumber } from '../days/day'
import type { FlowColumn } from '../metrics/metric'
import { counterpart, type Comparison } from '../periods/comparison'
import type { Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { rowsBetween, type FactTable } from './factTable'

/** A column over the days that have data in the period and in the comparison. */
export interface PairedSum {
  current: number
  earlier: number
  days: number
}

/** Paired sums by profile and column. A profile or column that is not listed has no gap and needs none. */
export type PairedSums = ReadonlyMap<number, Partial<Record<FlowColumn, PairedSum>>>

/**
 * The sums of flows over the days present both in a period and in its comparison, so that a gap is not read as a fall.
 *
 * @param table  the rows of the profiles that have gaps, over both periods
 */
export function pairedSums(table: FactTable, period: Period, comparison: Comparison, columns: readonly FlowColumn[]): PairedSums {
  return new Map(table.ranges.map((range) => {
    const rows = rowsBetween(table, range, dayNumber(period.from), dayNumber(period.to))
    const all = new Map<number, number>()
    for (let row = range.start; row < range.end; row++) all.set(table.days[row]!, row)
    const sums: Partial<Record<FlowColumn, PairedSum>> = {}
    for (const column of columns) sums[column] = { current: 0, earlier: 0, days: 0 }
    for (let row = rows.start; row < rows.end; row++) {
      const day = counterpart(dayFromNumber(table.days[row]!), comparison.pairing)
      const other = day === undefined ? undefined : all.get(dayNumber(day))
      if (other === undefined) continue
      for (const column of columns) {
        const now = table.columns[column][row]!
        const then = table.columns[column][other]!
        if (Number.isNaN(now) || Number.isNaN(then)) continue
        const sum = sums[column]!
        sum.current += now
        sum.earlier += then
        sum.days++
      }
    }
    return [range.profile, sums]
  }))
}

/** Aggregates with the sums of flows replaced by those over paired days. */
export function onPairedDays(aggregates: readonly ProfileAggregate[], paired: PairedSums, side: 'current' | 'earlier'): ProfileAggregate[] {
  return aggregates.map((aggregate) => {
    const sums = paired.get(aggregate.profile)
    if (!sums) return aggregate
    const entries = Object.entries(sums) as [FlowColumn, PairedSum][]
    const present = entries.filter(([, { days }]) => days > 0)
    const kept = (all: object) => Object.entries(all).filter(([column]) => !(column in sums))
    return {
      ...aggregate,
      sums: Object.fromEntries([...kept(aggregate.sums), ...present.map(([column, sum]) => [column, sum[side]])]),
      counts: Object.fromEntries([...kept(aggregate.counts), ...present.map(([column, { days }]) => [column, days])]),
    }
  })
}
