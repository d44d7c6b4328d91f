import { readFileSync } from 'node:fs'
import { quantile as d3Quantile, rank as d3Rank } from 'd3-array'
import { quantileSorted, median as ssMedian } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { growthOver, weeklyGrowth, weeklyGrowths } from '../../core/field/growth'
import { standings, typicalBand } from '../../core/field/standings'
import { studentQuantile } from '../../core/statistics/studentQuantile'

describe('quantiles of Student’s t', () => {
  // Abramowitz & Stegun (1964), table 26.10: percentage points of the t distribution (values from memory)
  it.each([
    [0.9, 5, 1.476],
    [0.9, 10, 1.372],
    [0.9, 25, 1.316],
    [0.95, 10, 1.812],
    [0.95, 25, 1.708],
    [0.975, 10, 2.228],
    [0.975, 30, 2.042],
    [0.995, 20, 2.845],
  ])('%d with %d degrees of freedom', (share, freedom, published) => {
    expect(studentQuantile(share, freedom)).toBeCloseTo(published, 2)
    expect(studentQuantile(1 - share, freedom)).toBeCloseTo(-published, 2)
  })
  it('are not given where the expansion is not good enough', () => {
    expect(() => studentQuantile(0.9, 4)).toThrow('too few')
  })
})

/** Closing prices of five shares by month, from vega-datasets (stocks.csv): members of a field. */
const prices = new Map<string, number[]>()
for (const line of readFileSync(new URL('../../node_modules/vega-datasets/data/stocks.csv', import.meta.url), 'utf8')
  .trim()
  .split('\n')
  .slice(1)) {
  const [symbol, , price] = line.trim().split(',')
  prices.set(symbol!, [...(prices.get(symbol!) ?? []), Number(price)])
}
const latest = [...prices.values()].map((of) => of.at(-1)!)

describe('a field of open data', () => {
  it('has the ranks of d3, ties among them, and the quartiles of d3 and simple-statistics', () => {
    expect(prices.size).toBe(5)
    for (const values of [latest, [...latest, latest[0]!], [3, 1, 3, 3, 2], [5]]) {
      const ranks = standings(values).map((standing) => standing!.rank)
      // d3 ranks upwards from 0
      expect(ranks).toEqual(
        Array.from(
          d3Rank(values, (value: number) => -value),
          (each) => each + 1,
        ),
      )
      const middle = ssMedian(values)
      expect(standings(values).map((standing) => standing!.index!)).toEqual(
        values.map((value) => expect.closeTo((100 * value) / middle, 9)),
      )
    }
    const sorted = [...latest].sort((a, b) => a - b)
    expect(typicalBand(latest)).toEqual({
      lower: expect.closeTo(d3Quantile(latest, 0.25)!, 9),
      middle: expect.closeTo(quantileSorted(sorted, 0.5), 9),
      upper: expect.closeTo(d3Quantile(latest, 0.75)!, 9),
    })
  })

  it('grows as the compound growth of its first and last value says', () => {
    for (const [symbol, of] of prices) {
      // a month of the file stands for a week: its value on the first day of it
      const weeks = of.slice(-27)
      const days = Float64Array.from({ length: 26 * 7 + 1 }, (_, day) => (day % 7 === 0 ? weeks[day / 7]! : Number.NaN))
      const growths = weeklyGrowths([days])
      expect(growths, symbol).toHaveLength(26)
      const { mean } = weeklyGrowth(growths)!
      expect(mean).toBeCloseTo(Math.log(weeks.at(-1)! / weeks[0]!) / 26, 12)
      const { value, low, high } = growthOver(weeklyGrowth(growths)!, 26)
      expect(value).toBeCloseTo(weeks.at(-1)! / weeks[0]! - 1, 9)
      expect(low).toBeLessThan(value)
      expect(high).toBeGreaterThan(value)
    }
  })
})
