import { addDays, type Day } from '../days/day'
import { STOCK_AGE_DAYS } from '../rollup/aggregate'
import type { Forecaster } from './checkedForecast'
import { forecastLevel } from './forecastLevel'
import { forecastRate, type DayParts } from './forecastRate'
import { forecastSum, type DayValue } from './forecast'

const byDay = <T extends { day: Day }>(values: readonly T[]): T[] =>
  [...values].sort((a, b) => (a.day < b.day ? -1 : 1))

/** A share of days that has to be there for an outcome to count. */
const ENOUGH = 0.9

/** The values of some days, or undefined when more than a tenth of them have no data. */
function present<T>(values: ReadonlyMap<Day, T>, from: Day, days: number): T[] | undefined {
  const found = Array.from({ length: days }, (_, ahead) => values.get(addDays(from, ahead))).filter(
    (value) => value !== undefined,
  )
  return found.length > 0 && found.length >= days * ENOUGH ? found : undefined
}

/**
 * How the sum of a daily count is forecast. Days without data in an outcome count with the mean of the others.
 *
 * @example checkedForecast(sumForecaster(pastYear, 30), '2026-10-29', 30, '2025-10-29')
 */
export function sumForecaster(values: readonly DayValue[], days: number): Forecaster {
  const sorted = byDay(values)
  const known = new Map(sorted.map(({ day, value }) => [day, value]))
  return {
    outlook: (from) => forecastSum(sorted, from, days),
    outcome: (from) => {
      const found = present(known, from, days)
      return found && (found.reduce((sum, value) => sum + value, 0) * days) / found.length
    },
  }
}

/** How a level is forecast; its outcome is the last count no older than a week. */
export function levelForecaster(levels: readonly DayValue[], days: number): Forecaster {
  const sorted = byDay(levels)
  const known = new Map(sorted.map(({ day, value }) => [day, value]))
  return {
    outlook: (from) => forecastLevel(sorted, from, days),
    outcome: (from) => {
      for (let back = 1; back <= STOCK_AGE_DAYS + 1; back++) {
        const level = known.get(addDays(from, days - back))
        if (level !== undefined) return level
      }
      return undefined
    },
  }
}

/** How a rate is forecast. */
export function rateForecaster(parts: readonly DayParts[], days: number): Forecaster {
  const sorted = byDay(parts)
  const known = new Map(sorted.map((part) => [part.day, part]))
  return {
    outlook: (from) => forecastRate(sorted, from, days),
    outcome: (from) => {
      const found = present(known, from, days)
      const bottom = found?.reduce((sum, part) => sum + part.bottom, 0)
      return found && bottom! > 0 ? found.reduce((sum, part) => sum + part.top, 0) / bottom! : undefined
    },
  }
}
