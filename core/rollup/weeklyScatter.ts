import { scatterOf, USUAL_SCATTER, type Scatter } from '../change/scatter'
import { addDays } from '../days/day'
import { isSigned, metricById } from '../metrics/catalogue'
import type { FlowMetric, Metric } from '../metrics/metric'
import type { Period } from '../periods/period'
import { countsApart, sharesApart } from '../statistics/twoCounts'
import type { ProfileAggregate } from './aggregate'
import { partsAt } from './daysWith'
import { partsByDay } from './partsByDay'

/** So many whole weeks before a period say how its counts scatter. */
const WEEKS = 52
const WEEK_DAYS = 7

/** What was counted in a week: the count, everything that was counted for it, and what it is divided by. */
interface Week {
  value: number
  events: number
  divisor: number
}

/**
 * How much the counts of a metric scatter beyond chance, from how far its weeks lie apart from the weeks before them over
 * the year before a period: of each pair those profiles that have every day of both. A week holds each weekday once, and
 * what hangs together over some days. Of a rate that is divided by a count both are looked at, of other rates the
 * numerator.
 *
 * @param members  the profiles, rolled up over the period, with their days of that year
 * @param period   before which the weeks lie
 * @returns        the stated default where fewer than eight pairs of weeks are known
 * @example        weeklyScatter(metricById('impressions'), aggregates, october).times // 1800
 */
export function weeklyScatter(metric: Metric, members: readonly ProfileAggregate[], period: Period): Scatter {
  const top = metric.kind === 'ratio' ? metricById(metric.numerator) : metric
  if (top.kind !== 'flow') return USUAL_SCATTER
  const under = metric.kind === 'ratio' ? metricById(metric.denominator) : undefined
  const bottom = under?.kind === 'flow' ? under : undefined
  const year = { from: addDays(period.from, -WEEKS * WEEK_DAYS), to: addDays(period.from, -1) }
  const weeks = members
    .filter(({ days }) => days !== undefined)
    .map((member) => {
      const byDay = (flow: FlowMetric, isTogether?: boolean) =>
        partsByDay(partsAt(flow, member, period), member.days!, year, isTogether)
      const values = byDay(top)
      return weeksOf(values, isSigned(top) ? byDay(top, true) : values, bottom && byDay(bottom))
    })
  const scores: number[] = []
  for (let at = 1; at < WEEKS; at++) {
    const both = weeks.filter((own) => own[at] && own[at - 1])
    const score = apart(metric, summed(both.map((own) => own[at]!)), summed(both.map((own) => own[at - 1]!)))
    if (score !== undefined) scores.push(score)
  }
  return scatterOf(scores)
}

/** Weeks with every day; undefined for one that lacks any. */
function weeksOf(values: Float64Array, events: Float64Array, divisors?: Float64Array): (Week | undefined)[] {
  return Array.from({ length: WEEKS }, (_, week) => {
    const found = { value: 0, events: 0, divisor: 0 }
    for (let at = week * WEEK_DAYS; at < (week + 1) * WEEK_DAYS; at++) {
      found.value += values[at]!
      found.events += events[at]!
      found.divisor += divisors ? divisors[at]! : 1
    }
    return Number.isNaN(found.value + found.divisor) ? undefined : found
  })
}

const summed = (weeks: readonly Week[]): Week =>
  weeks.reduce(
    (all, { value, events, divisor }) => ({
      value: all.value + value,
      events: all.events + events,
      divisor: all.divisor + divisor,
    }),
    { value: 0, events: 0, divisor: 0 },
  )

/** How far two weeks lie apart, by the test that a change of the metric is put to. */
function apart(metric: Metric, one: Week, other: Week): number | undefined {
  const [a, b] = [one, other].map(({ value, divisor }) => ({ count: value, exposure: divisor })) as [
    { count: number; exposure: number },
    { count: number; exposure: number },
  ]
  if (isSigned(metric)) {
    const events = one.events + other.events
    return events > 0 ? (one.value - other.value) / Math.sqrt(events) : undefined
  }
  const isShare =
    metric.kind === 'ratio' &&
    metric.unit === 'share' &&
    metricById(metric.denominator).kind === 'flow' &&
    a.count <= a.exposure &&
    b.count <= b.exposure
  return isShare ? sharesApart(a, b) : countsApart(a, b)
}
