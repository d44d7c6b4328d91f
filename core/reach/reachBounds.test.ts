import { describe, expect, it } from 'vitest'
import { dayFromNumber, dayNumber } from '../days/day'
import { calculator, recompute } from '../figures/working'
import { metricById } from '../metrics/catalogue'
import type { UniqueMetric } from '../metrics/metric'
import { daysEnding, eachDay, type Period } from '../periods/period'
import { denseDays } from '../rollup/denseDays'
import { factTable, type ProfileDay } from '../rollup/factTable'
import { seeded } from '../times/seeded'
import { cheapestCover, peopleWindows, type PeopleWindows } from './cover'
import { randomDuplication } from './randomDuplication'
import { reachBounds } from './reachBounds'
import { together } from './together'

const calc = calculator(true)
const end = '2026-10-28'
const metric = metricById('reach') as UniqueMetric

/** Days of one profile up to the end and, where some are given, after it. */
function bounds(period: Period, rows: readonly Omit<ProfileDay, 'profile'>[], mask?: Uint8Array) {
  const found = reachBounds(
    calc,
    peopleWindows(metric, denseDays(factTable(rows.map((row) => ({ profile: 1, ...row }) as ProfileDay)))[0]!),
    period,
    mask,
  )
  if (found) for (const side of [found.low, found.high]) if (side) expect(recompute(side)).toBe(side.value)
  return found && { exact: found.exact?.value, low: found.low.value, high: found.high?.value }
}
/** The same reach every day of so many days. */
const steady = (
  days: number,
  row: Partial<ProfileDay>,
  change: (row: Omit<ProfileDay, 'profile'>, index: number) => Omit<ProfileDay, 'profile'> | undefined = (each) => each,
) => eachDay(daysEnding(end, days)).flatMap((day, index) => change({ day, ...row }, index) ?? [])

describe('reach of one profile', () => {
  it('is exact when a window fits the period', () => {
    const rows = steady(28, { reach_1d: 100, reach_7d: 500, reach_28d: 1200 })
    expect(bounds(daysEnding(end, 28), rows)).toEqual({ exact: 1200, low: 1200, high: 1200 })
    expect(bounds(daysEnding(end, 7), rows)).toEqual({ exact: 500, low: 500, high: 500 })
    expect(bounds(daysEnding(end, 1), rows)).toEqual({ exact: 100, low: 100, high: 100 })
  })

  it('is bounded by windows inside the period and by the windows that cover it', () => {
    expect(bounds(daysEnding(end, 28), steady(28, { reach_1d: 100, reach_7d: 500 }))).toEqual({
      exact: undefined,
      low: 500,
      high: 2000,
    })
    expect(bounds(daysEnding(end, 30), steady(30, { reach_1d: 100, reach_7d: 500, reach_28d: 1200 }))).toEqual({
      exact: undefined,
      low: 1200,
      high: 1400,
    })
  })

  it('is bounded by a longer window too: above by itself, below by what the days outside can have brought', () => {
    // ten days: a 28-day window covers them, and the 18 days before bring three weeks of 100 at the most
    expect(bounds(daysEnding(end, 10), steady(28, { reach_1d: 100, reach_7d: 500, reach_28d: 1900 }))).toEqual({
      exact: undefined,
      low: 500,
      high: 800,
    })
    expect(bounds(daysEnding(end, 10), steady(28, { reach_1d: 30, reach_7d: 100, reach_28d: 420 }))).toEqual({
      exact: undefined,
      low: 420 - 300,
      high: 100 + 3 * 30,
    })
  })

  it('uses windows that reach over the end of the period, where later days are there', () => {
    const rows = [...steady(27, { reach_1d: 100 }), { day: '2026-10-29', reach_1d: 100, reach_28d: 900 }]
    // the 27 days before 29 October: the window of 28 days is no less than they, and one day more than they
    expect(bounds(daysEnding(end, 27), rows)).toEqual({ exact: undefined, low: 800, high: 900 })
  })

  it('tightens the example of a month to the window of four weeks within three days', () => {
    // the newest four weeks reached 65,981 people; three of those days lie before the month and reached 8,152 together
    const days = eachDay({ from: '2026-10-01', to: '2026-10-25' })
    const before = [2700, 2726, 2726]
    const rows = [
      ...eachDay({ from: '2026-09-28', to: '2026-09-30' }).map((day, index) => ({ day, reach_1d: before[index] })),
      ...days.map((day, index) => ({
        day,
        reach_1d: 2822,
        reach_7d: index >= 6 ? 33_625 : null,
        ...(index === 24 && { reach_28d: 65_981 }),
      })),
    ]
    expect(bounds({ from: '2026-10-01', to: '2026-10-25' }, rows)).toEqual({
      exact: undefined,
      low: 57_829,
      high: 65_981,
    })
  })

  it('takes the cheaper windows, day by day where a week would cost more', () => {
    expect(
      bounds(
        daysEnding(end, 14),
        steady(14, { reach_7d: 500 }, (row, index) => ({ ...row, reach_1d: index < 7 ? 60 : 80 })),
      ),
    ).toMatchObject({ low: 500, high: 500 + 420 })
  })

  it('lets windows overlap where that is cheaper than a day that is not known', () => {
    // ten days of which the fourth is missing: the week that ends on the seventh covers it
    expect(
      bounds(
        daysEnding(end, 10),
        steady(10, { reach_1d: 100, reach_7d: 500 }, (row, index) => (index === 3 ? undefined : row)),
      ),
    ).toMatchObject({ high: 800 })
  })

  it('has no upper end where a day is missing and no window covers it, unless impressions do', () => {
    const gap = (part: Partial<ProfileDay> | undefined) =>
      steady(10, { reach_1d: 100 }, (row, index) => (index === 4 ? part && { day: row.day, ...part } : row))
    expect(bounds(daysEnding(end, 10), gap(undefined))).toEqual({ exact: undefined, low: 100, high: undefined })
    expect(bounds(daysEnding(end, 10), gap({ impressions: 400 }))).toMatchObject({ high: 900 + 400 })
  })

  it('cannot exceed what was shown', () => {
    expect(bounds(daysEnding(end, 3), steady(3, { reach_1d: 100, impressions: 90 }))).toMatchObject({ high: 270 })
  })

  it('never lets the upper end lie below the lower, even where a network contradicts itself', () => {
    expect(bounds(daysEnding(end, 10), steady(10, { reach_1d: 10, reach_7d: 500 }))).toMatchObject({
      low: 500,
      high: 500,
    })
  })

  it('says nothing without any window on the days themselves', () => {
    expect(bounds(daysEnding(end, 10), steady(10, { impressions: 10 }))).toBeUndefined()
    expect(bounds(daysEnding('2026-09-01', 10), steady(10, { reach_1d: 10 }))).toBeUndefined()
  })

  it('of some days leaves the others out: above by their windows, below by what the others can have brought', () => {
    const period = daysEnding(end, 7)
    const mask = new Uint8Array([1, 1, 1, 1, 0, 0, 0])
    // four days of 100; the week of 350 less three days of 100 is less than the largest day
    expect(bounds(period, steady(7, { reach_1d: 100, reach_7d: 350 }), mask)).toEqual({
      exact: undefined,
      low: 100,
      high: 350,
    })
    expect(bounds(period, steady(7, { reach_1d: 100, reach_7d: 680 }), mask)).toEqual({
      exact: undefined,
      low: 380,
      high: 400,
    })
    expect(bounds(period, steady(7, { reach_1d: 100, reach_7d: 680 }), new Uint8Array([1, 0, 1, 1, 1, 1, 1]))).toEqual({
      exact: undefined,
      low: 580,
      high: 600,
    })
    expect(bounds(period, steady(7, { reach_1d: 100 }), new Uint8Array(7))).toBeUndefined()
    expect(bounds(period, steady(7, { reach_1d: 100 }), new Uint8Array([0, 0, 1, 0, 0, 0, 0]))).toEqual({
      exact: 100,
      low: 100,
      high: 100,
    })
  })

  it('is at least what the best of all windows leaves, whichever of them is tried', () => {
    const random = seeded(7)
    const values = (length: number, most: number) =>
      Float64Array.from({ length }, () => (random() < 0.2 ? Number.NaN : Math.floor(random() * most)))
    let holed = 0
    for (let tried = 0; tried < 300; tried++) {
      const length = 40 + Math.floor(random() * 60)
      const windows: PeopleWindows = {
        first: 0,
        one: values(length, 100),
        seven: values(length, 400),
        twentyEight: values(length, 900),
        ceiling: values(length, 150),
        names: { people: '', ceiling: '' },
      }
      const from = Math.floor(random() * 40)
      const to = from + 1 + Math.floor(random() * 60)
      const mask = Uint8Array.from({ length: to - from + 1 }, (_, day) =>
        day > 0 && day < to - from && random() < 0.1 ? 0 : 1,
      )
      const holes = [...mask.join('').matchAll(/0+/g)].map(
        ({ index, 0: run }) => [from + index, from + index + run.length - 1] as const,
      )
      holed += holes.length
      const cost = (first: number, last: number) =>
        last < first
          ? 0
          : (cheapestCover(windows, first, last - first + 1)?.reduce((sum, { people }) => sum + people, 0) ?? Infinity)
      let best = 0
      for (const [size, column] of [
        [1, windows.one],
        [7, windows.seven],
        [28, windows.twentyEight],
      ] as const)
        for (let end = from; end < to + size; end++) {
          const start = end - size + 1
          const touched = holes.filter(([first, last]) => last >= start && first <= end)
          if (size === 1 && touched.length > 0) continue
          const others = touched.reduce(
            (sum, [first, last]) => sum + cost(first, last),
            cost(start, from - 1) + cost(to + 1, end),
          )
          const left = (column[end] ?? Number.NaN) - others
          if (left > best) best = left
        }
      const period = { from: dayFromNumber(from), to: dayFromNumber(to) }
      const found = reachBounds(calculator(false), windows, period, mask)
      if (found && !found.exact) expect(found.low.value).toBe(best)
    }
    expect(holed).toBeGreaterThan(300)
  })

  it('counts days by their number, across the year', () => {
    expect(dayNumber('2027-01-01') - dayNumber('2026-12-31')).toBe(1)
    expect(
      bounds({ from: '2026-12-31', to: '2027-01-01' }, [
        { day: '2026-12-31', reach_1d: 5 },
        { day: '2027-01-01', reach_1d: 8 },
      ]),
    ).toMatchObject({ low: 8, high: 13 })
  })
})

describe('reach of several profiles', () => {
  const given = (name: string, low: number, high: number) => ({
    name,
    bounds: { low: calc.given('low', low), high: calc.given('high', high) },
  })
  const values = (...args: Parameters<typeof together>) => {
    const { value, low, high, remark } = together(...args)
    return { value: value?.value, low: low?.value, high: high?.value, remark }
  }

  it('never estimates less than the largest profile, nor more than all of them', () => {
    // the middles are 55 each of 60: at random almost everybody, and all of them are 220
    expect(values([given('a', 10, 100), given('b', 10, 100)], 60, true, 'Reach', calc)).toMatchObject({
      low: 10,
      high: 60,
    })
    const { value, low, high } = values([given('a', 90, 92), given('b', 1, 2)], 91, true, 'Reach', calc)
    expect([value! >= low!, value! <= high!]).toEqual([true, true])
  })

  it('has no upper end and no estimate where nothing is known of one of them', () => {
    expect(values([given('a', 10, 100)], undefined, false, 'Reach', calc)).toMatchObject({
      low: 10,
      high: undefined,
      value: undefined,
    })
    expect(values([given('a', 10, 100), given('b', 20, 50)], 900, false, 'Reach', calc)).toMatchObject({
      low: 20,
      high: 900,
      value: undefined,
    })
  })

  it('leaves out an audience that is smaller than one profile, and says so', () => {
    expect(values([given('a', 300, 300), given('b', 100, 120)], 250, true, 'Reach', calc)).toEqual({
      value: undefined,
      low: 300,
      high: 420,
      remark:
        'The audience given for these networks, 250, is smaller than the reach of one profile, 300. It cannot be right and is left out.',
    })
  })
})

describe('random duplication', () => {
  it('counts nobody twice', () => {
    expect(randomDuplication(100, [40, 30])).toBeCloseTo(58, 10)
    expect(randomDuplication(100, [])).toBe(0)
    expect(randomDuplication(100, [100, 30])).toBe(100)
    expect(randomDuplication(100, [140])).toBe(100)
  })
  it('needs a universe', () => expect(() => randomDuplication(0, [1])).toThrow('above zero'))
})
