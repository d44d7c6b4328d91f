import { readFileSync } from 'node:fs'
import { parse } from 'csv-parse/sync'
import { rollup, sum } from 'd3-array'
import { CholeskyDecomposition, determinant, inverse, Matrix } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { cholesky } from '../../core/statistics/cholesky'
import { audienceThere } from '../../core/times/audienceThere'
import { beyondChance } from '../../core/times/chance'
import { fromOwnHours } from '../../core/times/fromOwnHours'
import { seeded } from '../../core/times/seeded'
import { slotLifts } from '../../core/times/slotLifts'
import { hourClock, localClock, slotOf, slotsApart, slotTotals } from '../../core/times/slots'

const HOUR = 3_600_000
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())

describe('slots', () => {
  // vega-datasets 3.2.1, github.csv: counts by the hour of two years, as open data
  const rows = (
    parse(readFileSync(new URL('../../node_modules/vega-datasets/data/github.csv', import.meta.url), 'utf8'), {
      columns: true,
    }) as { time: string; count: string }[]
  ).map(({ time, count }) => ({
    at: Date.parse(`${time.replaceAll('/', '-').replace(' ', 'T')}Z`),
    value: Number(count),
  }))

  it('add up hourly counts of open data as d3 does', () => {
    const theirs = rollup(
      rows,
      (own) => sum(own, ({ value }) => value),
      ({ at }) => ((new Date(at).getUTCDay() + 6) % 7) * 24 + new Date(at).getUTCHours(),
    )
    expect(rows.length).toBeGreaterThan(900)
    expect(slotTotals(rows, 'UTC')).toEqual(Array.from({ length: 168 }, (_, slot) => theirs.get(slot) ?? 0))
  })

  const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
  for (const zone of ['Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Tokyo', 'Asia/Kathmandu'])
    it(`are those of the clocks of ${zone} through a year and over its ends, as Intl tells them`, () => {
      const format = new Intl.DateTimeFormat('en-GB', {
        timeZone: zone,
        weekday: 'short',
        hour: '2-digit',
        hourCycle: 'h23',
      })
      const clock = localClock(zone)
      // every half hour of the days around changes and year ends, every seven hours else
      for (let at = Date.parse('2025-12-28T00:00Z'); at < Date.parse('2027-01-05T00:00Z'); ) {
        const parts = new Map(format.formatToParts(at).map(({ type, value }) => [type, value]))
        expect(slotOf(clock(at)), new Date(at).toISOString()).toBe(
          NAMES.indexOf(parts.get('weekday')!) * 24 + Number(parts.get('hour')),
        )
        const month = new Date(at).getUTCMonth()
        at += [2, 3, 9, 10, 11, 0].includes(month) ? HOUR / 2 : 7 * HOUR
      }
    })

  it('have 23, 24 or 25 hours a day, as days of a zone do', () => {
    const hours = (zone: string, day: string) =>
      Array.from({ length: 24 }, (_, hour) => hourClock(zone)(day, hour)).filter((at) => at !== undefined).length
    expect([hours('Europe/London', '2026-03-29'), hours('Europe/London', '2026-10-25')]).toEqual([23, 24])
    expect([hours('America/New_York', '2026-03-08'), hours('Asia/Tokyo', '2026-03-29')]).toEqual([23, 24])
  })
})

describe('an audience converted from countries', () => {
  /** A hundred there at 20:00 of their own clocks and nobody else; half of them in GB, 30 in DE, 20 in the US. */
  const worked = (days: readonly string[]) => {
    const own = days.flatMap((day) =>
      Array.from({ length: 24 }, (_, hour) => ({ day, hour, people: hour === 20 ? 100 : 0, followers: 400 })),
    )
    const hours = fromOwnHours(own, { GB: 50, DE: 30, US: 20 })
    const slots = audienceThere(hours, 'Europe/London')
    return (slot: number) => Number(slots[slot]!.people.toFixed(6))
  }
  const around = (day: string) => [-1, 0, 1, 2].map((days) => addDays(day, days))

  it('equals a table that was worked by hand, in summer', () => {
    const at = worked(around('2026-07-02'))
    // Thursday 20:00 in London; Berlin is an hour ahead; New York, Chicago, Denver, Phoenix and Los Angeles behind, with
    // 48, 29, 6, 2 and 15 % of the 20: Phoenix keeps the time of Los Angeles then
    expect([at(92), at(91), at(97), at(98), at(99), at(100)]).toEqual([50, 30, 9.6, 5.8, 1.2, 3.4])
  })
  it('equals a table that was worked by hand, in winter', () => {
    const at = worked(around('2026-01-08'))
    // in winter Phoenix keeps the time of Denver
    expect([at(92), at(91), at(97), at(98), at(99), at(100)]).toEqual([50, 30, 9.6, 5.8, 1.6, 3])
  })
})

describe('lifts', () => {
  it('are those of the textbook, worked out with a general package of matrices', () => {
    // Rasmussen & Williams 2006, eq. 2.25, 2.26 and 2.30, over the sizes that are tried, from ml-matrix
    const random = seeded(4)
    const slots = Array.from({ length: 260 }, () => Math.floor(random() * 7) * 24 + 7 + Math.floor(random() * 14))
    const residuals = slots.map((slot) => (slot % 24 > 17 ? 0.2 : 0) + 0.4 * normal(random))
    const ours = slotLifts(slots, residuals)
    const seen = [...new Set(slots)].sort((a, b) => a - b)
    const of = (slot: number) => residuals.filter((_, index) => slots[index] === slot)
    const mean = (values: readonly number[]) => values.reduce((all, value) => all + value, 0) / values.length
    const within = sum(seen, (slot) => sum(of(slot), (value) => (value - mean(of(slot))) ** 2))
    const variance = within / (slots.length - seen.length)
    expect(ours.scatter).toBeCloseTo(Math.sqrt(variance), 10)
    const y = Matrix.columnVector(seen.map((slot) => mean(of(slot))))
    const alike = (apart: number, around: number, reach: number) =>
      Math.exp((-2 * Math.sin((Math.PI * apart) / around) ** 2) / ((2 * Math.PI * reach) / around) ** 2)
    const tried = [0, 0.07, 0.2].flatMap((weekday) =>
      [0, 0.1, 0.3].map((hour) => {
        const k = (a: number, b: number) =>
          weekday ** 2 * (Math.floor(a / 24) === Math.floor(b / 24) ? 1 : 0) +
          hour ** 2 * alike((a % 24) - (b % 24), 24, 2) +
          0.3 ** 2 * alike(a - b, 168, 1.5)
        const matrix = new Matrix(
          seen.map((a, i) => seen.map((b, j) => k(a, b) + (i === j ? variance / of(a).length : 0))),
        )
        const back = inverse(matrix)
        // its determinant is tiny: that of ten times the square root of ten times it is not
        const logDeterminant = Math.log(determinant(Matrix.mul(matrix, 10))) - seen.length * Math.log(10)
        const fit = -0.5 * y.transpose().mmul(back).mmul(y).get(0, 0) - 0.5 * logDeterminant
        const at = (slot: number) => {
          const row = Matrix.rowVector(seen.map((other) => k(slot, other)))
          return {
            mean: row.mmul(back).mmul(y).get(0, 0),
            variance: k(slot, slot) - row.mmul(back).mmul(row.transpose()).get(0, 0),
          }
        }
        return { fit, at }
      }),
    )
    const best = Math.max(...tried.map(({ fit }) => fit))
    const weights = tried.map(({ fit }) => Math.exp(fit - best))
    const all = sum(weights)
    // what accounts for less than a hundredth is left out
    const kept = tried
      .map(({ at }, index) => ({ at, weight: weights[index]! / all }))
      .filter(({ weight }) => weight >= 0.01)
    const whole = sum(kept, ({ weight }) => weight)
    for (const slot of [0, 8, 20, 92, 93, 140, 167]) {
      const first = sum(kept, ({ at, weight }) => (weight / whole) * at(slot).mean)
      const second = sum(kept, ({ at, weight }) => (weight / whole) * (at(slot).variance + at(slot).mean ** 2))
      expect(ours.slots[slot]!.mean).toBeCloseTo(first, 8)
      expect(ours.slots[slot]!.spread).toBeCloseTo(Math.sqrt(second - first ** 2), 8)
    }
  })

  it('rest on a triangle that ml-matrix finds too', () => {
    const random = seeded(8)
    const some = new Matrix(Array.from({ length: 30 }, () => Array.from({ length: 30 }, () => normal(random))))
    const matrix = some.mmul(some.transpose()).add(Matrix.eye(30))
    const theirs = new CholeskyDecomposition(matrix).lowerTriangularMatrix.to1DArray()
    cholesky(Float64Array.from(matrix.to1DArray()), 30).forEach((value, place) =>
      expect(value).toBeCloseTo(theirs[place]!, 9),
    )
  })

  /** A year of posts in which one slot, with its neighbours, does so much better; in logarithms. */
  function world(seed: number, many: number) {
    const random = seeded(seed)
    const target = Math.floor(random() * 7) * 24 + 7 + Math.floor(random() * 14)
    const size = many === 0 ? 0 : 0.1 + 0.5 * random()
    const slots = Array.from({ length: 320 }, (_, index) =>
      index < 8 ? target : Math.floor(random() * 7) * 24 + 7 + Math.floor(random() * 14),
    )
    const raw = slots.map(
      (slot) => size * Math.exp(-0.5 * (slotsApart(slot, target) / 1.5) ** 2) + 0.35 * normal(random),
    )
    const middle = sum(raw) / raw.length
    return { target, truth: Math.expm1(size - middle), slots, residuals: raw.map((value) => value - middle) }
  }

  it('hold a planted effect in their interval at the stated rate, in 500 worlds', () => {
    let [held, found] = [0, 0]
    for (let seed = 1; seed <= 500; seed++) {
      const { target, truth, slots, residuals } = world(seed, 1)
      const { lift } = slotLifts(slots, residuals).slots[target]!
      if (lift!.low <= truth && truth <= lift!.high) held++
      if (lift!.low > 0) found++
    }
    // 80 % of 500 lie between 382 and 418 with 95 %; the planted ones are the extremes of their worlds
    expect(held / 500).toBeGreaterThan(0.76)
    expect(held / 500).toBeLessThan(0.88)
    expect(found / 500).toBeGreaterThan(0.8)
    // a machine half as fast has its time
  }, 300_000)

  it('find an effect of evenings or of a weekday, and no good slot in shuffled times more often than is said', () => {
    let [evenings, weekdays, none, good] = [0, 0, 0, 0]
    const WORLDS = 300
    for (let seed = 1; seed <= WORLDS; seed++) {
      const { slots, residuals } = world(seed + 10_000, 0)
      if (beyondChance(slots, residuals)!.isBeyond) {
        none++
        good += slotLifts(slots, residuals).slots.filter(({ lift }) => lift && lift.low > 0).length
      }
      const isSeen = (isIn: (slot: number) => boolean) => {
        const better = residuals.map((value, index) => value + (isIn(slots[index]!) ? 0.2 : 0))
        return beyondChance(
          slots,
          better.map((value) => value - sum(better) / better.length),
        )!.isBeyond
      }
      if (isSeen((slot) => slot % 24 >= 18)) evenings++
      if (isSeen((slot) => Math.floor(slot / 24) === 3)) weekdays++
    }
    expect(evenings / WORLDS).toBeGreaterThan(0.8)
    expect(weekdays / WORLDS).toBeGreaterThan(0.6)
    // stated: one world in ten; more than 13 % of 300 would be seen once in thirty times
    expect(none / WORLDS).toBeLessThan(0.135)
    // of about eighty slots with three posts in each world
    expect(good / (80 * WORLDS)).toBeLessThan(0.1)
  }, 300_000)
})
