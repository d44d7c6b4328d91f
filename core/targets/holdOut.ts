import { addDays, type Day } from '../days/day'
import { median } from '../statistics/median'
import { FIT_DAYS, forecastSum, type DayValue } from './forecast'

/** How earlier forecasts of the same length came out. */
export interface HoldOut {
  tried: number
  /** How many outcomes lay within the range that would have been given. */
  within: number
  /** The median size of the error, as a part of the outcome; absent where outcomes were zero. */
  typicalError?: number
}

/** How many earlier days forecasts are made from again, a week apart. */
const MOST_ORIGINS = 12

/**
 * Makes the forecast again as it would have been made in earlier weeks, from nothing but what was known then, and compares it with what came.
 *
 * @param values  the past, in any order
 * @param from    the first day that has not come yet
 * @param days    the length of the forecast in days
 * @returns       how many were tried; none when the past is too short
 * @example       holdOut(pastYear, '2026-10-29', 30) // { tried: 12, within: 10, typicalError: 0.06 }
 */
export function holdOut(values: readonly DayValue[], from: Day, days: number, withTrend = true): HoldOut {
  const byDay = new Map(values.map(({ day, value }) => [day, value]))
  const sorted = [...values].sort((a, b) => (a.day < b.day ? -1 : 1))
  const first = sorted[0]?.day
  const errors: number[] = []
  let tried = 0
  let within = 0
  for (let back = 0; back < MOST_ORIGINS && first !== undefined; back++) {
    const origin = addDays(from, -days - 7 * back)
    if (addDays(origin, -FIT_DAYS) < first) break
    const outcome = outcomeOf(byDay, origin, days)
    const forecast = outcome === undefined ? undefined : forecastSum(sorted, origin, days, withTrend)
    if (outcome === undefined || !forecast) continue
    tried++
    if (outcome >= forecast.low && outcome <= forecast.high) within++
    if (outcome !== 0) errors.push(Math.abs(forecast.value / outcome - 1))
  }
  const typicalError = median(errors)
  return { tried, within, ...(typicalError !== undefined && { typicalError }) }
}

/** What came, or undefined when more than a tenth of the days have no data; fewer are filled with the mean of the others. */
function outcomeOf(byDay: ReadonlyMap<Day, number>, origin: Day, days: number): number | undefined {
  const present = Array.from({ length: days }, (_, ahead) => byDay.get(addDays(origin, ahead))).filter((value) => value !== undefined)
  if (present.length === 0 || present.length < days * 0.9) return undefined
  return (present.reduce((sum, value) => sum + value, 0) * days) / present.length
}
