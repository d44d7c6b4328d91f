import { readFileSync } from 'node:fs'
import { quantile as d3Quantile, rank as d3Rank } from 'd3-array'
import { quantileSorted, median as ssMedian } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { memberLine } from '../../core/field/memberLines'
import { growthOver, weeklyGrowth, weeklyGrowths } from '../../core/field/growth'
import { standings, typicalBand } from '../../core/field/standings'
import { changePoint } from '../../core/statistics/changePoint'
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
    const fifty = Array.from({ length: 50 }, (_, index) => 1 + ((index * 37) % 41))
    for (const values of [latest, [...latest, latest[0]!], [3, 1, 3, 3, 2], [5], fifty]) {
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

describe('where a series changes', () => {
  // the flow of the Nile at Aswan from 1871 on (Cobb 1978, Biometrika 65:243–251; values from memory): it changed with 1899
  const NILE = [
    1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958, 1140,
    1100, 1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020, 1050, 969, 831,
    726, 456, 824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040, 759, 781, 865, 845,
    944, 984, 897, 822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890, 744, 749, 838, 1050, 918,
    986, 797, 923, 975, 815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740,
  ]
  it('is found in the flow of the Nile, as by the definition of Pettitt (1979)', () => {
    const sums = NILE.slice(0, -1).map((_, t) =>
      NILE.slice(0, t + 1).reduce(
        (sum, before) => sum + NILE.slice(t + 1).reduce((all, after) => all + Math.sign(before - after), 0),
        0,
      ),
    )
    const most = Math.max(...sums.map(Math.abs))
    const found = changePoint(NILE)!
    expect(1871 + found.at).toBe(1899)
    expect(found.at).toBe(sums.findIndex((sum) => Math.abs(sum) === most) + 1)
    expect(found.chance).toBeCloseTo(2 * Math.exp((-6 * most ** 2) / (100 ** 3 + 100 ** 2)), 15)
    expect(found.chance).toBeLessThan(1e-5)
  })
  it('is by chance no more often than it says', () => {
    // a linear congruential generator (Numerical Recipes)
    let state = 1979
    const draw = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32
    const chances = Array.from({ length: 1000 }, () => changePoint(Array.from({ length: 40 }, draw))!.chance)
    for (const level of [0.01, 0.05, 0.1])
      expect(chances.filter((chance) => chance <= level).length / 1000).toBeLessThan(
        level + 3 * Math.sqrt((level * (1 - level)) / 1000),
      )
    expect(changePoint(NILE.slice(0, 15))).toBeUndefined()
  })
})

describe('lines of open data', () => {
  it('are index and change as worked out from the prices themselves', () => {
    for (const [name, values] of prices) {
      const line = (form: 'index' | 'change') => memberLine([{ name, values }], form).values
      expect(line('index')).toEqual(values.map((value) => expect.closeTo((100 * value) / values[0]!, 9)))
      expect(line('change').slice(1)).toEqual(
        values.slice(1).map((value, month) => expect.closeTo(value / values[month]! - 1, 12)),
      )
    }
    // together they are a field of one member: the youngest begins in the middle of the others
    const length = Math.max(...[...prices.values()].map((values) => values.length))
    const all = [...prices].map(([name, values]) => ({
      name,
      values: [...Array<undefined>(length - values.length), ...values],
    }))
    const { values, breaks } = memberLine(all, 'level')
    expect(breaks).toEqual([
      {
        week: length - Math.min(...all.map(({ values: of }) => of.filter(Boolean).length)),
        begins: [expect.any(String)],
        ends: [],
      },
    ])
    values.forEach((value, month) =>
      expect(value).toBeCloseTo(
        all.reduce((sum, { values: of }) => sum + (of[month] ?? 0), 0),
        9,
      ),
    )
  })
})
