import { expect, it } from 'vitest'
import { addDays } from '../days/day'
import { metricById } from '../metrics/catalogue'
import type { FlowMetric } from '../metrics/metric'
import { comparisonWith, type Comparison } from '../periods/comparison'
import { aggregateOnce } from './aggregateDays'
import { compareFigures } from './compareFigures'
import { flowValue } from './daysWith'
import { figureOf } from './figureOf'

const OCTOBER = { from: '2026-10-01', to: '2026-10-28' }
const FIRST_DAYS = { from: '2026-10-01', to: '2026-10-02' }
const days = (calls: number[]) => ({ first: 20_727, columns: { calls: Float64Array.from(calls) } })
const LISTING = { profile: 1, network: 'waymark' }

it('makes what figures are made from once of the same days, profile and period', () => {
  const own = days([3, 5])
  const made = aggregateOnce(LISTING, own, FIRST_DAYS)
  expect(made.sums.calls).toBe(8)
  expect(aggregateOnce(LISTING, own, { ...FIRST_DAYS })).toBe(made)
  expect(aggregateOnce(LISTING, own, { ...FIRST_DAYS, to: '2026-10-01' }).sums.calls).toBe(3)
  expect(aggregateOnce({ ...LISTING, profile: 2 }, own, FIRST_DAYS)).not.toBe(made)
  // whose owner has taken the consent back is told less of
  expect(aggregateOnce({ ...LISTING, isPublicOnly: true }, own, FIRST_DAYS)).not.toBe(made)
  expect(aggregateOnce(LISTING, days([3, 5]), FIRST_DAYS)).not.toBe(made)
})

it('keeps the periods that were asked for last', () => {
  const own = days([3, 5])
  const first = aggregateOnce(LISTING, own, FIRST_DAYS)
  const others = (month: string) => {
    for (let day = 10; day < 25; day++) aggregateOnce(LISTING, own, { from: `${month}-01`, to: `${month}-${day}` })
  }
  others('2026-09')
  expect(aggregateOnce(LISTING, own, FIRST_DAYS)).toBe(first)
  others('2026-08')
  others('2026-07')
  expect(aggregateOnce(LISTING, own, FIRST_DAYS)).not.toBe(first)
})

it('finds the same value of a daily count alone as its figure has', () => {
  const members = [days([3, 5, Number.NaN, 9]), days([Number.NaN]), days([1, 1, 1, 1])].map((own, index) =>
    aggregateOnce({ ...LISTING, profile: index }, own, OCTOBER),
  )
  const calls = metricById('calls') as FlowMetric
  expect(flowValue(calls, members, OCTOBER)).toBe(21)
  expect(figureOf('calls', members, { period: OCTOBER }).value).toBe(21)
  expect(flowValue(calls, [members[1]!], OCTOBER)).toBeUndefined()
})

it('compares the same days with many periods, one after the other and back, as days that were never asked about', () => {
  // a hole in either half, so that days are left out of both sides of every comparison, each time others
  const calls = Array.from({ length: 120 }, (_, day) => (day % 11 === 3 || day > 100 === (day % 7 === 1) ? day : NaN))
  const period = { from: '2026-10-20', to: '2026-10-26' }
  const asked = Array.from({ length: 40 }, (_, index) => addDays(period.from, -7 - (index % 20) * 2)).map((from) =>
    comparisonWith(period, { from, to: addDays(from, 6) }),
  )
  const kept = days(calls)
  const changeIn = (own: ReturnType<typeof days>, comparison: Comparison) => {
    const earlier = { comparison, aggregates: [aggregateOnce(LISTING, own, comparison.period)] }
    return compareFigures('calls', { current: [aggregateOnce(LISTING, own, period)], earlier }, { period }).change
  }
  for (const comparison of asked) expect(changeIn(kept, comparison)).toEqual(changeIn(days(calls), comparison))
  expect(new Set(asked.map((comparison) => changeIn(kept, comparison)?.from)).size).toBeGreaterThan(10)
})
