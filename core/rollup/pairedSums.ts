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

/** Rows of a period, and at the same place the rows of their counterparts. */
interface Pairs {
  now: Int32Array
  then: Int32Array
  length: number
}

/** The rows of a period with the rows of their counterparts, where there is one. Both lie in the order of their days, so one pass finds them. */
function pairsOf(table: FactTable, range: { start: number; end: number }, period: Period, pairing: Pairing): Pairs {
  const { start, end } = rowsBetween(table, range, dayNumber(period.from), dayNumber(period.to))
  const pairs = { now: new Int32Array(end - start), then: new Int32Array(end - start), length: 0 }
  let then = range.start
  for (let row = start; row < end; row++) {
    const day = counterpartNumber(table.days[row]!, pairing)
    if (day === undefined) continue
    while (then < range.end && table.days[then]! < day) then++
    if (then === range.end || table.days[then] !== day) continue
    pairs.now[pairs.length] = row
    pairs.then[pairs.length++] = then
  }
  return pairs
}

function sumPairs(values: Float64Array, pairs: Pairs): PairedSum {
  let [current, earlier, days] = [0, 0, 0]
  for (let index = 0; index < pairs.length; index++) {
    const a = values[pairs.now[index]!]!
    const b = values[pairs.then[index]!]!
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

/** Aggregates on paired days that were made before, for the same sums: they stand in the whole and in each row, for every metric. */
const made = new WeakMap<ProfileAggregate, { sums: object; side: Side; paired: ProfileAggregate }>()
type Side = 'current' | 'earlier'

/** Aggregates with the sums of flows replaced by those over paired days. */
export function onPairedDays(aggregates: readonly ProfileAggregate[], paired: PairedSums, side: Side): ProfileAggregate[] {
  return aggregates.map((aggregate) => {
    const sums = paired.get(aggregate.profile)
    if (!sums) return aggregate
    const before = made.get(aggregate)
    if (before?.sums === sums && before.side === side) return before.paired
    const one = withSums(aggregate, sums, side)
    made.set(aggregate, { sums, side, paired: one })
    return one
  })
}

function withSums(aggregate: ProfileAggregate, paired: Partial<Record<FlowColumn, PairedSum>>, side: Side): ProfileAggregate {
  const entries = Object.entries(paired) as [FlowColumn, PairedSum][]
  const present = entries.filter(([, { days }]) => days > 0)
  const kept = (all: object) => Object.entries(all).filter(([column]) => !(column in paired))
  return {
    ...aggregate,
    sums: Object.fromEntries([...kept(aggregate.sums), ...present.map(([column, sum]) => [column, sum[side]])]),
    counts: Object.fromEntries([...kept(aggregate.counts), ...present.map(([column, { days }]) => [column, days])]),
  }
}
