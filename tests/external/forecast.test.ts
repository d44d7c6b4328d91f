import { readFileSync } from 'node:fs'
import { parse } from 'csv-parse/sync'
import { linearRegression } from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween, weekday } from '../../core/days/day'
import { daysEnding, eachDay } from '../../core/periods/period'
import { forecastSum } from '../../core/targets/forecast'
import { checkedForecast } from '../../core/targets/checkedForecast'
import { levelForecaster, sumForecaster } from '../../core/targets/forecasters'
import { PROFILES } from '../../demo/profiles'
import { world } from '../../demo/world'

const last = '2026-10-28'
const from = '2026-10-29'

describe('the forecast', () => {
  // Frisch & Waugh 1933, Econometrica 1:387: the slope of a regression with weekday levels is that of the residuals
  // from the weekday means
  it('has the slope that simple-statistics finds when the weekday means are taken away first', () => {
    const values = eachDay(daysEnding(last, 84)).map((day, index) => ({
      day,
      value: 200 + 3 * index + 40 * weekday(day) + ((index * 37) % 11),
    }))
    const mean = (of: (each: { day: string; value: number }) => number) => (each: { day: string; value: number }) => {
      const same = values.filter(({ day }) => weekday(day) === weekday(each.day))
      return of(each) - same.reduce((sum, one) => sum + of(one), 0) / same.length
    }
    const time = mean(({ day }) => daysBetween(from, day))
    const outcome = mean(({ value }) => value)
    const { m } = linearRegression(values.map((each) => [time(each), outcome(each)]))
    // the sums of two weeks that are a week apart differ by 7 × 7 slopes; the trend is strong, so that nearly all of it
    // counts
    const week = (start: number) =>
      forecastSum(values, from, start + 7)!.value - forecastSum(values, from, start)!.value
    expect((week(7) - week(0)) / 49 / m).toBeCloseTo(1, 3)
  })

  // the demo's own past, from what was known at the time, over days that do not overlap; the range is made to hold 80 %
  it.each(['impressions', 'reactions', 'followers'] as const)(
    'of %s held about as often as its range says, over the past of every demo profile',
    (column) => {
      const { profileDay } = world(last)
      let [tried, within, failed, profiles] = [0, 0, 0, 0]
      for (const profile of PROFILES.filter(({ connected, network }) => connected && network !== 'waymark')) {
        const values = eachDay(daysEnding(last, 480)).flatMap((day) => {
          const value = profileDay(profile, day, addDays(day, 30))?.[column]
          return value === undefined ? [] : [{ day, value }]
        })
        const { checked } = checkedForecast(
          (column === 'followers' ? levelForecaster : sumForecaster)(values, 28),
          from,
          28,
          values[0]!.day,
        )!
        tried += checked.tried
        within += checked.within
        failed += checked.hasFailed ? 1 : 0
        profiles++
      }
      console.info(
        `ranges of ${column} over 28 days: ${within} of ${tried} held ` +
          `(${((100 * within) / tried).toFixed(0)} %), ${failed} of ${profiles} profiles failed ` +
          'their hold-out',
      )
      expect(tried).toBeGreaterThan(150)
      expect(within / tried).toBeGreaterThan(0.72)
      expect(within / tried).toBeLessThan(0.95)
    },
  )

  // vega-datasets 3.2.1, seattle-weather.csv: NOAA daily weather of 2012 to 2015, real outcomes that nobody has made to
  // fit
  const weather = parse<Record<string, string>>(
    readFileSync(new URL('../../node_modules/vega-datasets/data/seattle-weather.csv', import.meta.url), 'utf8'),
    { columns: true },
  )
  const heldOn = (column: string, days: number): { tried: number; share: number } => {
    const values = weather.map((row) => ({
      day: row.date!.slice(0, 10).replaceAll('/', '-'),
      value: Number(row[column]),
    }))
    let [tried, within] = [0, 0]
    for (let back = 0; back < 900; back += days === 28 ? 300 : 24 * days) {
      const { checked } = checkedForecast(
        sumForecaster(values, days),
        addDays('2015-12-31', 1 - back),
        days,
        values[0]!.day,
      )!
      tried += checked.tried
      within += checked.within
    }
    return { tried, share: within / tried }
  }

  it.each([
    ['wind', 7],
    ['wind', 14],
    ['wind', 28],
    ['precipitation', 7],
    ['precipitation', 14],
    ['precipitation', 28],
    ['temp_max', 7],
    ['temp_max', 28],
  ] as const)('of %s over %d days held about as often as its range says, on the weather of a city', (column, days) => {
    const { tried, share } = heldOn(column, days)
    console.info(`ranges of ${column} over ${days} days: ${(100 * share).toFixed(0)} % of ${tried} held`)
    expect(tried).toBeGreaterThan(50)
    expect(share).toBeGreaterThan(0.68)
    expect(share).toBeLessThan(0.95)
  })
})
