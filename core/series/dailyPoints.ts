import { dayNumber, type Day } from '../days/day'
import { metricById } from '../metrics/catalogue'
import type { FlowMetric, Metric, RatioMetric, StockMetric, UniqueMetric } from '../metrics/metric'
import { eachDay, lengthOf, type Period } from '../periods/period'
import { randomDuplication } from '../reach/randomDuplication'
import type { ProfileAggregate } from '../rollup/aggregate'
import { daysWith, partsAt } from '../rollup/daysWith'
import { valueOn } from '../rollup/denseDays'
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
  if (metric.kind !== 'ratio') {
    const parts = withDays.map((member) => valuesOf(metric, member, period))
    return days.map((day, index) => ({ day, ...pointOf(metric, parts, index, universe) }))
  }
  const under = metricById(metric.denominator) as Exclude<Metric, RatioMetric>
  const pairs = withDays.map((member) => ({
    top: valuesOf(metricById(metric.numerator) as FlowMetric, member, period),
    bottom: valuesOf(under, member, period),
  }))
  return days.map((day, index) => ({ day, ...quotient(pairs, under, index, universe) }))
}

function valuesOf(metric: FlowMetric | StockMetric | UniqueMetric, member: ProfileAggregate, period: Period): Values {
  const first = dayNumber(period.from)
  const days = member.days!
  if (metric.kind === 'stock') return carriedLevels(days, period, metric.column)
  const values = new Float64Array(lengthOf(period)).fill(Number.NaN)
  if (metric.kind === 'unique') return values.map((_, index) => valueOn(days, metric.windows[1], first + index))
  const { count, mask } = daysWith(metric, member, period)
  if (count === 0) return values
  const parts = partsAt(metric, member, period)
  return values.map((_, index) =>
    mask && !mask[index]
      ? Number.NaN
      : parts.reduce((sum, { column, sign }) => sum + sign * valueOn(days, column, first + index), 0),
  )
}

type Point = Omit<DayPoint, 'day'>

function pointOf(
  metric: Exclude<Metric, RatioMetric>,
  parts: readonly Values[],
  index: number,
  universe: number | undefined,
): Point {
  if (metric.kind === 'unique') return peoplePoint(parts, index, metric.family === 'reach' ? universe : undefined)
  let value = 0
  let present = 0
  for (const part of parts) {
    const own = part[index]!
    if (own !== own) continue
    value += own
    present++
  }
  return present === 0 ? { present } : { value, present }
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

function quotient(
  pairs: readonly { top: Values; bottom: Values }[],
  under: Exclude<Metric, RatioMetric>,
  index: number,
  universe: number | undefined,
): Point {
  const both = pairs.filter(({ top, bottom }) => top[index] === top[index] && bottom[index] === bottom[index])
  if (both.length === 0) return { present: 0 }
  const above = both.reduce((sum, { top }) => sum + top[index]!, 0)
  const below = pointOf(
    under,
    both.map(({ bottom }) => bottom),
    index,
    universe,
  )
  const over = (divisor: number | undefined) => (divisor !== undefined && divisor > 0 ? above / divisor : undefined)
  const [value, low, high] = [over(below.value), over(below.high), over(below.low)]
  return {
    present: both.length,
    ...(value !== undefined && { value }),
    ...(low !== undefined && { low }),
    ...(high !== undefined && { high }),
  }
}
