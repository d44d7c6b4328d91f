import { describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { addDays } from '../days/day'
import { metricById } from '../metrics/catalogue'
import { normalQuantile } from '../statistics/normalQuantile'
import { factTable } from './factTable'
import { aggregateTable } from './aggregateTable'
import { weeklyScatter } from './weeklyScatter'

const BEFORE = '2026-10-01'
const networks = new Map([
  [1, 'commons'],
  [2, 'commons'],
])

type Row = Parameters<typeof factTable>[0][number]

/** Daily impressions around 100 whose variance is so many times their mean. */
function profileOf(times: number, profile = 1, days = 364): Row[] {
  return Array.from({ length: days }, (_, back) => ({
    profile,
    day: addDays(BEFORE, -days + back),
    impressions: Math.round(100 + Math.sqrt(100 * times) * normalQuantile(unit('scatter', times, profile, back))),
    new_followers: 10,
    lost_followers: 4,
  }))
}
const scatter = (metric: string, rows: Row[]) =>
  weeklyScatter(
    metricById(metric),
    aggregateTable(factTable(rows), { from: BEFORE, to: BEFORE }, networks, [
      'impressions',
      'new_followers',
      'lost_followers',
    ]),
    { from: BEFORE, to: BEFORE },
  )

describe('the scatter of a count, by its weeks', () => {
  it('is found again where it is planted, and never below that of chance', () => {
    const [one, four, nine] = [1, 4, 9].map((times) => scatter('impressions', profileOf(times)).times) as number[]
    expect(one).toBeLessThan(2)
    expect(four).toBeGreaterThan(2.2)
    expect(four).toBeLessThan(7)
    expect(nine).toBeGreaterThan(5)
    expect(scatter('followers_net', profileOf(1))).toEqual({ times: 1, freedom: 0.37 * 50 })
  })

  it('rests on the weeks that a profile has whole, and is the stated default below eight pairs', () => {
    expect(scatter('impressions', profileOf(4, 1, 7 * 9))).toMatchObject({ freedom: 0.37 * 7 })
    expect(scatter('impressions', profileOf(4, 1, 7 * 8))).toEqual({ times: 2 })
    const whole = [...profileOf(4), ...profileOf(4, 2, 7 * 4)]
    expect(scatter('impressions', whole)).toMatchObject({ freedom: 0.37 * 50 })
  })

  it('is none of what is not counted by chance', () => expect(scatter('followers', profileOf(1))).toEqual({ times: 2 }))
})
