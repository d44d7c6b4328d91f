import { addDays, daysBetween, type Day } from '../days/day'
import { STOCK_AGE_DAYS } from '../rollup/aggregate'
import { FIT_DAYS, LEAST_FIT_DAYS, RANGE_QUANTILE, type DayValue, type Outlook } from './forecast'

/** What is left of a trend from one day to the next: after half a year four tenths of it. */
export const DAMPING = 0.995

/**
 * A level after some days, from its last count and a damped trend: the slope of the newest 84 days, fitted by least
 * squares, goes on and grows weaker day by day (Gardner & McKenzie 1985, "Forecasting trends in time series",
 * Management Science 31:1237). The spread is that of a walk whose steps are the differences from day to day.
 *
 * @param levels  the past in the order of its days
 * @param from    the first day that has not come yet
 * @param days    how many days ahead
 * @returns       undefined with fewer than 28 days of data, or without a count in the last seven days
 * @example       forecastLevel(lastTwelveWeeks, '2026-10-29', 30)?.value
 */
export function forecastLevel(levels: readonly DayValue[], from: Day, days: number): Outlook | undefined {
  const first = addDays(from, -FIT_DAYS)
  const used = levels.filter(({ day }) => day < from && day >= first)
  const last = used.at(-1)
  if (used.length < LEAST_FIT_DAYS || !last || daysBetween(last.day, from) > STOCK_AGE_DAYS) return undefined
  const slope = slopeOf(used.map(({ day, value }) => [daysBetween(from, day), value]))
  const ahead = days + daysBetween(last.day, from) - 1
  const damped = (DAMPING * (1 - DAMPING ** ahead)) / (1 - DAMPING)
  const steps = used.slice(1).map(({ day, value }, index) => {
    const gap = daysBetween(used[index]!.day, day)
    return (value - used[index]!.value - slope * gap) / Math.sqrt(gap)
  })
  const variance = steps.reduce((sum, step) => sum + step * step, 0) / Math.max(1, steps.length - 1)
  return { value: last.value + slope * damped, spread: RANGE_QUANTILE * Math.sqrt(variance * ahead) }
}

/** The slope of a straight line by least squares. */
function slopeOf(points: readonly (readonly [number, number])[]): number {
  const mean = (index: 0 | 1) => points.reduce((sum, point) => sum + point[index], 0) / points.length
  const [x, y] = [mean(0), mean(1)]
  const across = points.reduce((sum, point) => sum + (point[0] - x) * (point[1] - y), 0)
  const along = points.reduce((sum, point) => sum + (point[0] - x) ** 2, 0)
  return along === 0 ? 0 : across / along
}
