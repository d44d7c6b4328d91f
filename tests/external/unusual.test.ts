import { readFileSync } from 'node:fs'
import { medianAbsoluteDeviation, median as theirMedian, quantileSorted } from 'simple-statistics'
import { quantile as d3Quantile } from 'd3-array'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { eachDay, period } from '../../core/periods/period'
import { median, quantile } from '../../core/statistics/median'
import { causesOf } from '../../core/unusual/causes'
import { modifiedZ, UNUSUAL_ABOVE } from '../../core/unusual/modifiedZ'
import { judgedDays, type JudgedDay } from '../../core/unusual/unusualDays'
import { unit } from '../../demo/random'

const numbers = fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 60 })

describe('median and quantiles', () => {
  // Hyndman RJ, Fan Y (1996), The American Statistician 50:361, definition 7: p(k) = (k − 1) / (n − 1); d3-array and
  // simple-statistics as second opinions
  it('are those of type 7, as d3 has them', () => {
    expect(quantile([1, 2, 3, 4], 0.25)).toBe(1.75)
    fc.assert(
      fc.property(numbers, fc.double({ min: 0, max: 1, noNaN: true }), (values, share) => {
        expect(quantile(values, share)).toBeCloseTo(d3Quantile(values, share)!, 9)
        expect(median(values)).toBe(theirMedian(values))
      }),
    )
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
    fc.assert(
      fc.property(numbers, (values) => {
        const mad = medianAbsoluteDeviation(values)
        if (mad === 0) return
        expect(modifiedZ(values)).toEqual(values.map((value) => (0.6745 * (value - theirMedian(values))) / mad))
      }),
    )
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
  const normal = (...key: (string | number)[]) =>
    Math.sqrt(-2 * Math.log(1 - unit(...key, 'a'))) * Math.cos(2 * Math.PI * unit(...key, 'b'))
  /** A steady world: a weekday pattern and the lognormal noise that daily figures have. */
  const steady = (seed: string, noise = 0.3) =>
    new Map(
      all.map(
        (day, index) =>
          [day, Math.round(400 * (index % 7 === 2 ? 1.4 : 1) * Math.exp(noise * normal(seed, day)))] as const,
      ),
    )
  const asked = period('2026-09-01', '2026-10-28')
  const isUnusual = ({ score }: JudgedDay) => Math.abs(score) > UNUSUAL_ABOVE

  it('are at most one in a hundred where nothing happens, in lognormal worlds with a weekday pattern', () => {
    let [flagged, judged] = [0, 0]
    for (let world = 0; world < 60; world++) {
      const days = judgedDays(steady(`steady ${world}`, 0.15 + 0.01 * world), asked)
      // every day of a cause counts, also those that are only taken in because they lean the same way
      flagged += causesOf(new Map([[1, days]]))
        .flatMap(({ members }) => members.flatMap((member) => member.days))
        .filter((day) => Math.abs(day.score) >= 2).length
      judged += days.length
    }
    console.info(
      `unusual days in steady lognormal worlds: ${flagged} of ${judged} (${((100 * flagged) / judged).toFixed(2)} %)`,
    )
    expect(judged).toBe(60 * 58)
    expect(flagged / judged).toBeLessThanOrEqual(0.01)
  })

  it('see a fall as well as a rise: a third and three times have the same score', () => {
    const score = (factor: number) =>
      judgedDays(new Map(steady('alike')).set('2026-10-14', 400 * factor), asked).find(
        ({ day }) => day === '2026-10-14',
      )!.score
    expect(score(1 / 3) / score(3)).toBeCloseTo(-1, 0)
    expect(score(1 / 3)).toBeLessThan(-3)
  })

  it('find a planted storm first, as one cause over all profiles', () => {
    let found = 0
    for (let world = 0; world < 60; world++) {
      const storm = { from: addDays('2026-09-15', world % 30), days: 3 + (world % 5) }
      const worlds = new Map(
        Array.from({ length: 6 }, (_, profile) => [
          profile,
          new Map(
            [...steady(`storm ${world} ${profile}`)].map(([day, value]) => [
              day,
              day >= storm.from && day < addDays(storm.from, storm.days) ? Math.round(value * 0.3) : value,
            ]),
          ),
        ]),
      )
      const [cause] = causesOf(new Map([...worlds].map(([profile, values]) => [profile, judgedDays(values, asked)])))
      if (
        cause?.direction === 'down' &&
        cause.from >= addDays(storm.from, -1) &&
        cause.to <= addDays(storm.from, storm.days) &&
        cause.members.length >= 5
      )
        found++
    }
    expect(found).toBeGreaterThanOrEqual(58)
  })

  it('find a post that spread, first and alone', () => {
    let found = 0
    for (let world = 0; world < 60; world++) {
      const day = addDays('2026-09-05', world % 45)
      const values = new Map(steady(`spread ${world}`))
      values.set(day, values.get(day)! * 8)
      const others = [1, 2, 3].map(
        (profile) => [profile, judgedDays(steady(`other ${world} ${profile}`), asked)] as const,
      )
      const [cause] = causesOf(new Map([[0, judgedDays(values, asked)], ...others]))
      if (cause?.direction === 'up' && cause.from <= day && cause.to >= day && cause.members[0]!.profile === 0) found++
    }
    // in one world of sixty chance does more to another profile
    expect(found).toBeGreaterThanOrEqual(58)
  })

  it('are not the rhythm of a profile that posts seldom', () => {
    let [flagged, naive, judged] = [0, 0, 0]
    for (let world = 0; world < 20; world++) {
      const posts = new Map(all.map((day) => [day, unit('seldom', world, day) < 0.15 ? 1 : 0]))
      const since = (day: string) => [0, 1, 2, 3].find((back) => posts.get(addDays(day, -back)) === 1) ?? 4
      const values = new Map(
        all.map((day) => [
          day,
          Math.round(60 * [12, 5, 2.5, 2.5, 1][since(day)]! * Math.exp(0.2 * normal('seldom', world, day))),
        ]),
      )
      const known = judgedDays(values, asked, posts)
      judged += known.length
      flagged += known.filter(isUnusual).length
      naive += judgedDays(values, asked).filter(isUnusual).length
    }
    expect(naive / judged).toBeGreaterThan(0.03)
    expect(flagged / judged).toBeLessThanOrEqual(0.01)
  })

  it('judge no day with fewer than four weeks behind it, and none without data', () => {
    const short = new Map(
      all.slice(-27).map((day) => [day, day === '2026-10-28' ? 99_999 : 400 + Math.floor(20 * unit(day))]),
    )
    expect(judgedDays(short, asked)).toEqual([])
    expect(
      judgedDays(new Map([...short, ...all.slice(-28, -27).map((day): [string, number] => [day, 400])]), asked).map(
        ({ day }) => day,
      ),
    ).toEqual(['2026-10-28'])
  })

  it('mark a small base, and take a zero for a low value', () => {
    const small = new Map(all.map((day, index) => [day, 4 + (index % 3)] as const)).set('2026-10-14', 28)
    expect(judgedDays(small, asked).filter(isUnusual)).toEqual([
      expect.objectContaining({ day: '2026-10-14', isSmall: true }),
    ])
    expect(
      judgedDays(new Map(steady('zero')).set('2026-10-14', 0), asked).find(({ day }) => day === '2026-10-14')!.score,
    ).toBeLessThan(-5)
  })

  // vega-datasets, seattle-weather.csv: the hottest degree of each day against a second computation of the same rule
  // with simple-statistics
  it('are the same days of open data as in a computation with simple-statistics', () => {
    const [, ...lines] = readFileSync(
      new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url),
      'utf8',
    )
      .trim()
      .split('\n')
    const hottest = new Map(
      lines.map((line) => [line.split(',')[0]!.replaceAll('/', '-'), Math.max(0, Number(line.split(',')[2]))]),
    )
    const theirs = eachDay(period('2014-01-01', '2014-12-31')).filter((day) => {
      const window = Array.from({ length: 56 }, (_, back) => addDays(day, back - 55))
      const scaled = (of: string) => Math.log(hottest.get(of)! + 1)
      const usual = (of: string) =>
        theirMedian(window.filter((other) => new Date(other).getUTCDay() === new Date(of).getUTCDay()).map(scaled))
      const left = window.map((other) => scaled(other) - usual(other))
      return Math.abs((0.6745 * (left.at(-1)! - theirMedian(left))) / medianAbsoluteDeviation(left)) > 3.5
    })
    const mine = judgedDays(hottest, period('2014-01-01', '2014-12-31'))
      .filter(isUnusual)
      .map(({ day }) => day)
    expect(mine).toEqual(theirs)
    expect(mine.length).toBeGreaterThan(0)
  })
})
