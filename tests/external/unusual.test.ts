import { readFileSync } from 'node:fs'
import { medianAbsoluteDeviation, median as theirMedian, quantileSorted } from 'simple-statistics'
import { quantile as d3Quantile } from 'd3-array'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { eachDay, period } from '../../core/periods/period'
import { median, quantile } from '../../core/statistics/median'
import { modifiedZ } from '../../core/unusual/modifiedZ'
import { isExplained, unusualDays } from '../../core/unusual/unusualDays'
import { scatter, unit } from '../../demo/random'

const numbers = fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 60 })

describe('median and quantiles', () => {
  // Hyndman RJ, Fan Y (1996), The American Statistician 50:361, definition 7: p(k) = (k − 1) / (n − 1); d3-array and simple-statistics as second opinions
  it('are those of type 7, as d3 has them', () => {
    expect(quantile([1, 2, 3, 4], 0.25)).toBe(1.75)
    fc.assert(fc.property(numbers, fc.double({ min: 0, max: 1, noNaN: true }), (values, share) => {
      expect(quantile(values, share)).toBeCloseTo(d3Quantile(values, share)!, 9)
      expect(median(values)).toBe(theirMedian(values))
    }))
    expect(quantile([], 0.5)).toBeUndefined()
    expect(() => quantile([1], 2)).toThrow('no share')
    expect(quantileSorted([1, 2, 3], 0.5)).toBe(median([1, 2, 3]))
  })
})

describe('modified z-score (Iglewicz & Hoaglin 1993; NIST/SEMATECH e-Handbook 1.3.5.17)', () => {
  // worked by hand after the handbook's formula: median 5, MAD 2
  it('is 0.6745 (x − median) / MAD', () => {
    const scores = modifiedZ([1, 3, 4, 5, 6, 7, 50])
    expect(scores[6]).toBeCloseTo((0.6745 * 45) / 2, 12)
    expect(scores[3]).toBe(0)
  })
  it('agrees with the deviation of simple-statistics', () => {
    fc.assert(fc.property(numbers, (values) => {
      const mad = medianAbsoluteDeviation(values)
      if (mad === 0) return
      expect(modifiedZ(values)).toEqual(values.map((value) => (0.6745 * (value - theirMedian(values))) / mad))
    }))
  })
  // the fall-back of Iglewicz & Hoaglin where more than half of the values are equal
  it('falls back to the mean absolute deviation, and to nothing', () => {
    expect(modifiedZ([5, 5, 5, 5, 9])[4]).toBeCloseTo(4 / (1.253314 * 0.8), 9)
    expect(modifiedZ([5, 5, 5])).toEqual([0, 0, 0])
    expect(modifiedZ([])).toEqual([])
  })
})

describe('unusual days', () => {
  const all = eachDay(period('2026-01-01', '2026-10-28'))
  /** A steady world: a weekday pattern and the scatter that counts have. */
  const steady = (seed: string) => new Map(all.map((day, index) => [day, scatter(400 + 150 * (index % 7 === 2 ? 1 : 0), seed, day)]))
  const asked = period('2026-09-01', '2026-10-28')

  it('finds a planted day, and the weekday that is always strong is not unusual', () => {
    const world = steady('planted')
    world.set('2026-10-14', 1400)
    const found = unusualDays(world, asked)
    expect(found.map(({ day }) => day)).toContain('2026-10-14')
    expect(found.find(({ day }) => day === '2026-10-14')!.usual).toBeLessThan(600)
  })

  it('is quiet where nothing happens: few false alarms in steady worlds', () => {
    let [flagged, judged] = [0, 0]
    for (let world = 0; world < 25; world++) {
      flagged += unusualDays(steady(`steady ${world}`), asked).length
      judged += 58
    }
    console.info(`unusual days in steady worlds: ${flagged} of ${judged} (${((100 * flagged) / judged).toFixed(2)} %)`)
    expect(flagged / judged).toBeLessThan(0.02)
  })

  it('judges no day with fewer than four weeks behind it, and none without data', () => {
    const short = new Map(all.slice(-27).map((day) => [day, day === '2026-10-28' ? 99_999 : 400 + Math.floor(20 * unit(day))]))
    expect(unusualDays(short, asked)).toEqual([])
    expect(unusualDays(new Map([...short, ...all.slice(-28, -27).map((day): [string, number] => [day, 400])]), asked).map(({ day }) => day)).toEqual(['2026-10-28'])
  })

  it('marks a small base', () => {
    const small = new Map(all.map((day, index) => [day, index % 3] as const)).set('2026-10-14', 12)
    expect(unusualDays(small, asked)).toEqual([expect.objectContaining({ day: '2026-10-14', isSmall: true })])
  })

  it('counts a day with a note as explained', () => {
    expect(isExplained('2026-10-11', [{ from: '2026-10-10', to: '2026-10-12' }])).toBe(true)
    expect(isExplained('2026-10-13', [{ from: '2026-10-10', to: '2026-10-12' }])).toBe(false)
  })

  // vega-datasets, seattle-weather.csv: days of heavy rain against a second computation of the same rule with simple-statistics
  it('flags the same days of open data as a computation with simple-statistics', () => {
    const [, ...lines] = readFileSync(new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url), 'utf8').trim().split('\n')
    const hottest = new Map(lines.map((line) => [line.split(',')[0]!.replaceAll('/', '-'), Number(line.split(',')[2])]))
    const theirs = eachDay(period('2014-01-01', '2014-12-31')).filter((day) => {
      const window = Array.from({ length: 56 }, (_, back) => addDays(day, back - 55))
      const usual = (of: string) => theirMedian(window.filter((other) => new Date(other).getUTCDay() === new Date(of).getUTCDay()).map((other) => hottest.get(other)!))
      const left = window.map((other) => hottest.get(other)! - usual(other))
      return Math.abs((0.6745 * (left.at(-1)! - theirMedian(left))) / medianAbsoluteDeviation(left)) > 3.5
    })
    const mine = unusualDays(hottest, period('2014-01-01', '2014-12-31')).map(({ day }) => day)
    expect(mine).toEqual(theirs)
    expect(mine.length).toBeGreaterThan(0)
  })
})
