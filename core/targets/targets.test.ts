import { describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { addDays, daysBetween, weekday } from '../days/day'
import { daysEnding, eachDay } from '../periods/period'
import { checkedForecast } from './checkedForecast'
import { forecastSum } from './forecast'
import { DAMPING, forecastLevel } from './forecastLevel'
import { forecastRate } from './forecastRate'
import { levelForecaster, rateForecaster, sumForecaster } from './forecasters'
import { standingRule } from './standingRule'
import { daysAhead, targetProgress, type TargetInput } from './target'

const from = '2026-10-29'
const past = (days: number, value: (index: number, day: string) => number) =>
  eachDay(daysEnding('2026-10-28', days)).map((day, index) => ({ day, value: value(index, day) }))
const LEVELS = [10, 10, 12, 14, 20, 40, 30]
const normal = (...key: (string | number)[]) =>
  Math.sqrt(-2 * Math.log(1 - unit(...key, 'a'))) * Math.cos(2 * Math.PI * unit(...key, 'b'))

describe('where a sum is heading', () => {
  it('is its weekday pattern, exactly, where it follows one without fail', () => {
    const outlook = forecastSum(
      past(84, (_, day) => LEVELS[weekday(day) - 1]!),
      from,
      14,
    )!
    expect(outlook.value).toBeCloseTo(2 * LEVELS.reduce((sum, level) => sum + level, 0), 6)
    expect(outlook.spread).toBeLessThan(0.001)
  })
  it('carries a straight line on', () => {
    // 100, 101, … 183 in the past; the next seven days are 184 to 190
    expect(
      forecastSum(
        past(84, (index) => 100 + index),
        from,
        7,
      )!.value,
    ).toBeCloseTo(187 * 7, 4)
  })
  it('keeps to the level where the line is no larger than its own error', () => {
    const noisy = past(84, (index) => 100 + ((index * 7919) % 41) + 0.001 * index)
    expect(Math.abs(forecastSum(noisy, from, 28)!.value / 28 - 120)).toBeLessThan(3)
  })
  it('is the less sure the further it goes', () => {
    const noisy = past(84, (index) => 100 + ((index * 7919) % 41))
    expect(forecastSum(noisy, from, 28)!.spread).toBeGreaterThan(forecastSum(noisy, from, 7)!.spread)
  })
  it('needs four weeks, and every weekday', () => {
    expect(
      forecastSum(
        past(27, () => 5),
        from,
        7,
      ),
    ).toBeUndefined()
    expect(
      forecastSum(
        past(84, () => 5).filter(({ day }) => weekday(day) !== 7),
        from,
        7,
      ),
    ).toBeUndefined()
  })
  it('leaves days without data out, and does not look ahead', () => {
    const gapped = [...past(84, () => 5).filter((_, index) => index % 9 !== 0), { day: addDays(from, 1), value: 1e9 }]
    expect(forecastSum(gapped, from, 10)!.value).toBeCloseTo(50, 6)
  })
  it('of no days is nothing', () =>
    expect(
      forecastSum(
        past(84, () => 5),
        from,
        0,
      ),
    ).toEqual({ value: 0, spread: 0 }))
})

describe('where a level is heading', () => {
  it('goes on with its trend, which grows weaker day by day', () => {
    const { value } = forecastLevel(
      past(84, (index) => 1000 + 10 * index),
      from,
      30,
    )!
    const damped = Array.from({ length: 30 }, (_, ahead) => DAMPING ** (ahead + 1)).reduce((sum, part) => sum + part, 0)
    expect(value).toBeCloseTo(1830 + 10 * damped, 6)
    expect(value).toBeLessThan(1830 + 300)
  })
  it('begins with the newest count, and counts the days since', () => {
    const gone = past(84, () => 500).slice(0, -3)
    expect(forecastLevel(gone, from, 10)).toEqual({ value: 500, spread: 0 })
    expect(forecastLevel(past(84, () => 500).slice(0, -9), from, 10)).toBeUndefined()
    expect(
      forecastLevel(
        past(20, () => 500),
        from,
        10,
      ),
    ).toBeUndefined()
  })
})

describe('where a rate is heading', () => {
  const parts = past(84, (_, day) => LEVELS[weekday(day) - 1]!).map(({ day, value }) => ({
    day,
    top: value,
    bottom: 20 * value,
  }))
  it('is what is to come of its numerator over what is to come of its denominator', () => {
    expect(forecastRate(parts, from, 14)).toMatchObject({
      value: expect.closeTo(0.05, 9) as number,
      bottom: expect.closeTo(2 * 136 * 20, 4) as number,
    })
  })
  it('is not there where nothing is to come', () =>
    expect(
      forecastRate(
        parts.map((part) => ({ ...part, bottom: 0 })),
        from,
        14,
      ),
    ).toBeUndefined())
})

describe('the hold-out', () => {
  it('tries forecasts over days that do not overlap, as far as the past reaches', () => {
    const values = past(280, (index, day) => LEVELS[weekday(day) - 1]! + unit(index))
    const { checked } = checkedForecast(sumForecaster(values, 20), from, 20, values[0]!.day)!
    // origins 20, 40, … days back with four weeks before them: 12 of them, of which the first four only teach
    expect(checked.tried).toBe(8)
    expect(checked.typicalError).toBeLessThan(0.1)
  })

  it('holds four of five in steady worlds, of sums, levels and rates', () => {
    const kinds = ['sum', 'level', 'rate'] as const
    for (const kind of kinds) {
      let [tried, within] = [0, 0]
      for (let world = 0; world < 40; world++) {
        let level = 5000
        const days = past(600, (index) =>
          kind === 'level' ? (level += 6 + 9 * normal(world, index)) : 100 * Math.exp(0.4 * normal(world, index)),
        )
        const forecaster =
          kind === 'sum'
            ? sumForecaster(days, 28)
            : kind === 'level'
              ? levelForecaster(days, 28)
              : rateForecaster(
                  days.map(({ day, value }, index) => ({
                    day,
                    top: value * 0.05 * Math.exp(0.2 * normal(world, index, 'r')),
                    bottom: value,
                  })),
                  28,
                )
        const { checked } = checkedForecast(forecaster, from, 28, days[0]!.day)!
        tried += checked.tried
        within += checked.within
      }
      expect([kind, tried]).toEqual([kind, 40 * 16])
      expect(within / tried, kind).toBeGreaterThan(0.75)
      expect(within / tried, kind).toBeLessThan(0.92)
    }
  })

  it('says when a range has failed', () => {
    // outcomes that lie further off every time: no range that was learned before holds the next
    const { checked } = checkedForecast(
      { outlook: () => ({ value: 0, spread: 1 }), outcome: (origin) => daysBetween('2024-01-01', origin) },
      from,
      28,
      '2025-01-01',
    )!
    expect(checked).toMatchObject({ tried: 19, within: 0 })
    expect(checked.hasFailed).toBe(true)
  })

  it('proves nothing with few, and tries nothing when the past is short', () => {
    expect(
      checkedForecast(
        sumForecaster(
          past(60, () => 1),
          28,
        ),
        from,
        28,
        '2026-08-30',
      )!.checked,
    ).toMatchObject({ tried: 0, within: 0, hasFailed: false })
    expect(
      checkedForecast(
        sumForecaster(
          past(20, () => 1),
          28,
        ),
        from,
        28,
        '2026-10-09',
      ),
    ).toBeUndefined()
  })
})

describe('a target', () => {
  const base: TargetInput = {
    kind: 'flow',
    wanted: 300,
    isCeiling: false,
    from: '2026-10-01',
    by: '2026-10-30',
    last: '2026-10-10',
    now: 80,
  }
  const heading = (low: number, high: number, hasFailed = false) => ({
    value: (low + high) / 2,
    low,
    high,
    checked: { tried: 10, within: hasFailed ? 3 : 8, hasFailed },
  })
  it('tells the way done, the pace and the pace needed', () => {
    expect(targetProgress(base)).toMatchObject({
      done: 80 / 300,
      elapsed: 1 / 3,
      daysLeft: 20,
      pace: 8,
      paceNeeded: 11,
      standing: 'unknown',
    })
  })
  it('paces over the days that have data', () =>
    expect(targetProgress({ ...base, covered: 0.8 })).toMatchObject({ pace: 10, paceNeeded: 11 }))
  it('of a level counts the way from the day before it began', () => {
    expect(targetProgress({ ...base, kind: 'stock', wanted: 1200, start: 1000, now: 1050 })).toMatchObject({
      done: 0.25,
      pace: 5,
      paceNeeded: 7.5,
    })
  })
  it.each([
    [310, 350, 'on course'],
    [280, 320, 'open'],
    [250, 290, 'in danger'],
  ] as const)('heading for %d to %d is %s', (low, high, standing) => {
    expect(targetProgress({ ...base, heading: heading(low, high) }).standing).toBe(standing)
    expect(targetProgress({ ...base, heading: heading(low, high, true) }).standing).toBe('open')
  })
  it('not to be exceeded is read the other way round', () => {
    const ceiling = { ...base, isCeiling: true }
    expect(targetProgress({ ...ceiling, heading: heading(250, 290) }).standing).toBe('on course')
    expect(targetProgress({ ...ceiling, heading: heading(310, 390) }).standing).toBe('in danger')
    expect(targetProgress({ ...ceiling, now: 301 }).standing).toBe('missed')
  })
  it('that is over was reached or missed, and a sum stays reached', () => {
    expect(targetProgress({ ...base, last: '2026-11-05', now: 300 }).standing).toBe('reached')
    expect(targetProgress({ ...base, last: '2026-11-05', now: 299 })).toMatchObject({
      standing: 'missed',
      daysLeft: 0,
      elapsed: 1,
    })
    expect(targetProgress({ ...base, now: 300 }).standing).toBe('reached')
    expect(targetProgress({ ...base, kind: 'stock', start: 0, now: 300, heading: heading(280, 310) }).standing).toBe(
      'open',
    )
  })
  it('of people has no pace, and is reached only where its lower bound is', () => {
    const people = { ...base, kind: 'unique' as const, now: 310, low: 250, high: 340 }
    expect(targetProgress(people)).toEqual({ standing: 'unknown', elapsed: 1 / 3, daysLeft: 20, done: 250 / 300 })
    expect(targetProgress({ ...people, low: 300 }).standing).toBe('reached')
    expect(targetProgress({ ...people, last: '2026-11-05' }).standing).toBe('unknown')
    expect(targetProgress({ ...people, last: '2026-11-05', high: 299 }).standing).toBe('missed')
  })
  it('of a rate has a pace but no way', () => {
    const rate = targetProgress({ ...base, kind: 'ratio', wanted: 0.05, now: 0.04, neededRate: 0.055 })
    expect(rate).toMatchObject({ pace: 0.04, paceNeeded: 0.055 })
    expect(rate).not.toHaveProperty('done')
  })
  it('says nothing of what has no figure, and refuses to end before it begins', () => {
    expect(targetProgress({ ...base, now: undefined })).toEqual({ standing: 'unknown', elapsed: 1 / 3, daysLeft: 20 })
  })
  it('is judged by where it is heading before it has a figure, as afterwards', () => {
    for (const [low, high, standing] of [
      [310, 400, 'on course'],
      [280, 320, 'open'],
      [200, 290, 'in danger'],
    ] as const) {
      const early = { ...base, last: '2026-09-30', now: undefined, heading: heading(low, high) }
      expect([
        targetProgress(early).standing,
        targetProgress({ ...early, last: '2026-10-01', now: 9 }).standing,
      ]).toEqual([standing, standing])
    }
  })
  it('says the rule by which it stands', () => {
    expect(standingRule('on course', { isOver: false, hasFailed: false })).toBe(
      'The whole range of where it is heading meets what is wanted.',
    )
    expect(standingRule('open', { isOver: false, hasFailed: true })).toContain('did not hold')
    expect(
      new Set(
        (['reached', 'missed', 'unknown'] as const).flatMap((standing) =>
          [true, false].map((isOver) => standingRule(standing, { isOver, hasFailed: false })),
        ),
      ).size,
    ).toBe(6)
  })
  it('cannot end before it begins', () => {
    expect(() => targetProgress({ ...base, by: '2026-09-30' })).toThrow('ends (2026-09-30) before it begins')
  })
  it('counts the days ahead', () =>
    expect([
      daysAhead('2026-10-28', '2026-10-30'),
      daysAhead('2026-10-28', '2026-10-28'),
      daysAhead('2026-10-28', '2026-10-01'),
    ]).toEqual([2, 0, 0]))
})
