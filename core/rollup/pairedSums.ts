import { dayFromNumber, dayNumber } from '../days/day'
import type { FlowColumn } from '../metrics/metric'
import { counterpart, type Comparison, type Pairing } from '../periods/comparison'
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
    const pairs = pairsOf(table, range, period, comparison.pairing)
    return [range.profile, Object.fromEntries(columns.map((column) => [column, sumPairs(table.columns[column], pairs)]))]
  }))
}

/** The rows of a period with the rows of their counterparts, where there is one. */
function pairsOf(table: FactTable, range: { start: number; end: number }, period: Period, pairing: Pairing): { now: number; then: number }[] {
  const rowOf = new Map<number, number>()
  for (let row = range.start; row < range.end; row++) rowOf.set(table.days[row]!, row)
  const { start, end } = rowsBetween(table, range, dayNumber(period.from), dayNumber(period.to))
  const pairs: { now: number; then: number }[] = []
  for (let row = start; row < end; row++) {
    const day = counterpartNumber(table.days[row]!, pairing)
    const then = day === undefined ? undefined : rowOf.get(day)
    if (then !== undefined) pairs.push({ now: row, then })
  }
  return pairs
}

function sumPairs(values: Float64Array, pairs: readonly { now: number; then: number }[]): PairedSum {
  let [current, earlier, days] = [0, 0, 0]
  for (const { now, then } of pairs) {
    const [a, b] = [values[now]!, values[then]!]
    if (a !== a || b !== b) continue
    current += a
    earlier += b
    days++
  }
  return { current, earlier, days }
}

/** `counterpart` on day numbers: a shift needs no calendar. */
function counterpartNumber(day: number, pairing: Pairing): number | undefined {
  if (pairing.kind === 'days') return day - pairing.days
  const other = counterpart(dayFromNumber(day), pairing)
  return other === undefined ? undefined : dayNumber(other)
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
