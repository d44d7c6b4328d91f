import type { Day } from '../days/day'
import { metricById } from '../metrics/catalogue'
import type { FlowColumn, StockColumn, UniqueFamily } from '../metrics/metric'
import { eachDay, type Period } from '../periods/period'

/** One day over all profiles of a scope, as the database sums it. */
export interface DayTotals {
  day: Day
  sums: Partial<Record<FlowColumn | StockColumn, number>>
  /** Profiles with a value, by column. */
  counts: Partial<Record<FlowColumn | StockColumn, number>>
  /** Different people on the day: the largest and the sum over profiles, and for reach Σ ln(1 − Rᵢ/U) for the random-duplication estimate. */
  people?: Partial<Record<UniqueFamily, { largest: number; sum: number; count: number; logMissed?: number }>>
}

/** A metric on one day; without `value` and `low` the day has no data. */
export interface DayPoint {
  day: Day
  value?: number
  low?: number
  high?: number
  /** Profiles with data on the day. */
  present: number
}

/**
 * A metric day by day over all profiles of a scope. A day without data keeps its place and has no value.
 *
 * @param totals    the days that have rows, in any order
 * @param universe  people who could be reached, where it is known
 * @example         dailyPoints('impressions', { from: '2026-10-01', to: '2026-10-02' }, totals)
 */
export function dailyPoints(metricId: string, period: Period, totals: readonly DayTotals[], universe?: number): DayPoint[] {
  const byDay = new Map(totals.map((total) => [total.day, total]))
  return eachDay(period).map((day) => {
    const total = byDay.get(day)
    return total ? { day, ...pointOf(metricId, total, universe) } : { day, present: 0 }
  })
}

type Point = Omit<DayPoint, 'day'>

function pointOf(metricId: string, total: DayTotals, universe: number | undefined): Point {
  const metric = metricById(metricId)
  switch (metric.kind) {
    case 'flow': {
      const present = metric.parts.filter(({ column }) => (total.counts[column] ?? 0) > 0)
      if (present.length === 0) return { present: 0 }
      return {
        value: present.reduce((sum, { column, sign }) => sum + sign * (total.sums[column] ?? 0), 0),
        present: Math.max(...present.map(({ column }) => total.counts[column]!)),
      }
    }
    case 'stock': {
      const count = total.counts[metric.column] ?? 0
      return count === 0 ? { present: 0 } : { value: total.sums[metric.column]!, present: count }
    }
    case 'unique':
      return peoplePoint(total.people?.[metric.family], metric.family === 'reach' ? universe : undefined)
    case 'ratio':
      return quotient(pointOf(metric.numerator, total, universe), pointOf(metric.denominator, total, universe))
  }
}

function peoplePoint(reach: NonNullable<DayTotals['people']>[UniqueFamily], universe: number | undefined): Point {
  if (!reach || reach.count === 0) return { present: 0 }
  if (reach.count === 1) return { value: reach.sum, present: 1 }
  const range = { low: reach.largest, high: Math.min(reach.sum, universe ?? Infinity), present: reach.count }
  return universe === undefined || reach.logMissed === undefined ? range : { value: universe * (1 - Math.exp(reach.logMissed)), ...range }
}

function quotient(top: Point, bottom: Point): Point {
  const present = Math.min(top.present, bottom.present)
  if (top.value === undefined || present === 0) return { present: 0 }
  const over = (divisor: number | undefined) => (divisor !== undefined && divisor > 0 ? top.value! / divisor : undefined)
  const point: Point = { present }
  const value = over(bottom.value)
  const low = over(bottom.high)
  const high = over(bottom.low)
  if (value !== undefined) point.value = value
  if (low !== undefined) point.low = low
  if (high !== undefined) point.high = high
  return point
}
