import { readFileSync } from 'node:fs'
import { parse } from 'csv-parse/sync'
import { linearRegression } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween, weekday } from '../../core/days/day'
import { daysEnding, eachDay } from '../../core/periods/period'
import { forecastSum } from '../../core/targets/forecast'
import { holdOut } from '../../core/targets/holdOut'
import { PROFILES } from '../../demo/cast'
import { world } from '../../demo/world'

const last = '2026-10-28'
const from = '2026-10-29'

describe('the forecast', () => {
  // Frisch & Waugh 1933, Econometrica 1:387: the slope of a regression with weekday levels is that of the residuals from the weekday means
  it('has the slope that simple-statistics finds when the weekday means are taken away first', () => {
    const values = eachDay(daysEnding(last, 84)).map((day, index) => ({ day, value: 200 + 3 * index + 40 * weekday(day) + ((index * 37) % 11) }))
    const mean = (of: (each: { day: string; value: number }) => number) => (each: { day: string; value: number }) => {
      const same = values.filter(({ day }) => weekday(day) === weekday(each.day))
      return of(each) - same.reduce((sum, one) => sum + of(one), 0) / same.length
    }
    const time = mean(({ day }) => daysBetween(from, day))
    const outcome = mean(({ value }) => value)
    const { m } = linearRegression(values.map((each) => [time(each), outcome(each)]))
    // the sums of two weeks that are a week apart differ by 7 × 7 slopes; the trend is strong, so that nearly all of it counts
    const week = (start: number) => forecastSum(values, from, start + 7)!.value - forecastSum(values, from, start)!.value
    expect((week(7) - week(0)) / 49 / m).toBeCloseTo(1, 3)
  })

  // the demo's own past, from what was known at the time; the range is made to hold 80 %
  it.each([['impressions', true], ['reactions', true], ['followers', false]] as const)('of %s held about as often as its range says, over the past of every demo profile', (column, withTrend) => {
    const { profileDay } = world(last)
    let [tried, within] = [0, 0]
    for (const profile of PROFILES.filter(({ connected, network }) => connected && network !== 'waymark')) {
      const given = eachDay(daysEnding(last, 260)).flatMap((day) => {
        const value = profileDay(profile, day, addDays(day, 30))?.[column]
        return value === undefined ? [] : [{ day, value }]
      })
      const values = column === 'followers' ? given.slice(1).map(({ day, value }, index) => ({ day, value: value - given[index]!.value })) : given
      const result = holdOut(values, from, 28, withTrend)
      tried += result.tried
      within += result.within
    }
    expect(tried).toBeGreaterThan(150)
    expect(within / tried).toBeGreaterThan(0.65)
    expect(within / tried).toBeLessThan(0.95)
  })

  // vega-datasets 3.2.1, seattle-weather.csv: NOAA daily weather of 2012 to 2015, real outcomes that nobody has made to fit
  const weather = parse<Record<string, string>>(readFileSync(new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url), 'utf8'), { columns: true })
  const heldOn = (column: string, days: number): { tried: number; share: number } => {
    const values = weather.map((row) => ({ day: row.date!.slice(0, 10).replaceAll('/', '-'), value: Number(row[column]) }))
    let [tried, within] = [0, 0]
    for (let back = 0; back < 900; back += 84) {
      const result = holdOut(values, addDays('2015-12-31', 1 - back), days)
      tried += result.tried
      within += result.within
    }
    return { tried, share: within / tried }
  }

  it.each([['wind', 7], ['wind', 14], ['wind', 28], ['precipitation', 7], ['precipitation', 14], ['precipitation', 28]] as const)('of %s over %d days held about as often as its range says, on the weather of a city', (column, days) => {
    const { tried, share } = heldOn(column, days)
    expect(tried).toBe(132)
    expect(share).toBeGreaterThan(0.68)
    expect(share).toBeLessThan(0.92)
  })

  it('knows no yearly season: where one turns, the range holds less often, and the hold-out says so', () => {
    expect(heldOn('temp_max', 28).share).toBeLessThan(0.68)
    expect(heldOn('temp_max', 7).share).toBeGreaterThan(0.75)
  })
})
