import type { Day } from '../days/day'
import { metricById } from '../metrics/catalogue'
import type { FlowMetric, Metric, RatioMetric, StockMetric, UniqueMetric } from '../metrics/metric'
import { eachDay, lengthOf, type Period } from '../periods/period'
import { randomDuplication } from '../reach/randomDuplication'
import type { ProfileAggregate } from '../rollup/aggregate'
import { ownFlow } from '../rollup/daysWith'
import { columnByDay, partsByDay } from '../rollup/partsByDay'
import { carriedLevels } from './carriedLevels'

/** A metric on one day; without `value` and `low` the day has no data. */
export interface DayPoint {
  day: Day
  value?: number
  low?: number
  high?: number
  /** Profiles with data on the day. */
  present: number
}

/** One profile's part of a line: a value for each day, NaN where it has none. */
type Values = Float64Array

/**
 * A metric day by day over all profiles of a scope, each day by the same rules as a figure: counts are added, people
 * are bounded, and of a rate only the profiles count that have both of its parts on the day. A day without data keeps
 * its place and has no value.
 *
 * @param members   the profiles with their days, which reach back seven days before the period where levels are asked
 *                  for
 * @param universe  people who could be reached, where it is known
 * @example         dailyPoints('impressions', { from: '2026-10-01', to: '2026-10-02' }, members)
 */
export function dailyPoints(
  metricId: string,
  period: Period,
  members: readonly ProfileAggregate[],
  universe?: number,
): DayPoint[] {
  const metric = metricById(metricId)
  const days = eachDay(period)
  const withDays = members.filter(({ days: own }) => own !== undefined)
  const points =
    metric.kind === 'ratio'
      ? quotients(metric, withDays, period, universe)
      : totals(
          metric,
          withDays.map((member) => valuesOf(metric, member, period)),
          days.length,
          universe,
        )
  return days.map((day, index) => ({ day, ...points[index]! }))
}

function valuesOf(metric: FlowMetric | StockMetric | UniqueMetric, member: ProfileAggregate, period: Period): Values {
  const days = member.days!
  if (metric.kind === 'stock') return carriedLevels(days, period, metric.column)
  if (metric.kind === 'unique') return columnByDay(days, period, metric.windows[1])
  const { parts, presence } = ownFlow(metric, member, period)
  return presence.count === 0 ? new Float64Array(lengthOf(period)).fill(Number.NaN) : partsByDay(parts, days, period)
}

type Point = Omit<DayPoint, 'day'>

/** Each day of some profiles together. */
function totals(
  metric: Exclude<Metric, RatioMetric>,
  parts: readonly Values[],
  days: number,
  universe: number | undefined,
): Point[] {
  if (metric.kind === 'unique') {
    const known = metric.family === 'reach' ? universe : undefined
    return Array.from({ length: days }, (_, index) => peoplePoint(parts, index, known))
  }
  const sums = new Float64Array(days)
  const present = new Uint32Array(days)
  for (const part of parts)
    for (let index = 0; index < days; index++) {
      const own = part[index]!
      if (own !== own) continue
      sums[index]! += own
      present[index]!++
    }
  return Array.from(present, (count, index) =>
    count === 0 ? { present: count } : { value: sums[index]!, present: count },
  )
}

function peoplePoint(parts: readonly Values[], index: number, universe: number | undefined): Point {
  const people: number[] = []
  for (const part of parts) if (part[index] === part[index]) people.push(part[index]!)
  const present = people.length
  if (present === 0) return { present }
  const sum = people.reduce((all, own) => all + own, 0)
  if (present === 1) return { value: sum, present }
  const low = Math.max(...people)
  // an audience smaller than one profile's people cannot be right
  if (universe === undefined || universe < low) return { low, high: sum, present }
  return { value: randomDuplication(universe, people), low, high: Math.min(sum, universe), present }
}

/** A rate day by day: of each day only the profiles that have both of its parts. */
function quotients(
  metric: RatioMetric,
  members: readonly ProfileAggregate[],
  period: Period,
  universe: number | undefined,
): Point[] {
  const over = metricById(metric.numerator) as FlowMetric
  const under = metricById(metric.denominator) as Exclude<Metric, RatioMetric>
  const days = lengthOf(period)
  const tops = members.map((member) => valuesOf(over, member, period))
  const bottoms = members.map((member) => valuesOf(under, member, period))
  const above = totals(over, where(tops, bottoms), days, undefined)
  const below = totals(under, where(bottoms, tops), days, universe)
  return below.map((divisor, index) => {
    const { present } = divisor
    const by = (value: number | undefined) =>
      value !== undefined && value > 0 ? above[index]!.value! / value : undefined
    const [value, low, high] = [by(divisor.value), by(divisor.high), by(divisor.low)]
    return {
      present,
      ...(value !== undefined && { value }),
      ...(low !== undefined && { low }),
      ...(high !== undefined && { high }),
    }
  })
}

/** Some values where others are there too. */
const where = (values: readonly Values[], others: readonly Values[]): Values[] =>
  values.map((own, at) => {
    const other = others[at]!
    return own.map((value, index) => (other[index] === other[index] ? value : Number.NaN))
  })
