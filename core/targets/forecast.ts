import { Matrix, inverse } from 'ml-matrix'
import { addDays, daysBetween, weekday, type Day } from '../days/day'

/** A value on a day; days without data are left out. */
export interface DayValue {
  day: Day
  value: number
}

/**
 * What is expected, and how far outcomes lie from it by the model alone: half of a range that would hold 80 % if days
 * were alike.
 */
export interface Outlook {
  value: number
  spread: number
}

/** How many of the newest days a forecast rests on at the most, and the least. */
export const FIT_DAYS = 84
export const LEAST_FIT_DAYS = 28

/** The share of outcomes that a range is made to hold, and the normal quantile that belongs to it. */
export const RANGE_LEVEL = 0.8
export const RANGE_QUANTILE = 1.2815515655446004

/**
 * The sum of a daily figure over coming days, from its trend and its weekday pattern: a straight line and one level for
 * each weekday, fitted by least squares to the newest 84 days. A trend that is hardly larger than its own error counts
 * less. The spread grows with the number of days, with the likeness of neighbouring days (lag-one autocorrelation) and
 * with the uncertainty of the fit. Least squares with indicator variables: any textbook of forecasting, for example
 * Hyndman & Athanasopoulos 2021, ch. 7.
 *
 * @param values    the past in the order of its days; days without data are left out, not filled
 * @param from      the first day of the sum; later values are not looked at
 * @param days      how many days
 * @returns         undefined with fewer than 28 days of data
 * @example         forecastSum(lastTwelveWeeks, '2026-10-29', 30)?.value
 */
export function forecastSum(values: readonly DayValue[], from: Day, days: number): Outlook | undefined {
  const fit = fitted(values, from)
  if (!fit) return undefined
  if (days <= 0) return { value: 0, spread: 0 }
  const asked = sumRow(from, days, from)
  const value = dot(asked, fit.coefficients)
  const likeness = (1 + fit.likeness) / (1 - fit.likeness)
  const ofFit = dot(asked, fit.covariance.mmul(Matrix.columnVector(asked)).to1DArray()) * likeness
  return { value, spread: RANGE_QUANTILE * Math.sqrt(fit.variance * days * likeness + ofFit) }
}

interface Fit {
  coefficients: number[]
  covariance: Matrix
  variance: number
  likeness: number
}

/** One column for each weekday and one for the days from the origin. */
const rowOf = (day: Day, origin: Day): number[] => [
  ...Array.from({ length: 7 }, (_, index) => (weekday(day) === index + 1 ? 1 : 0)),
  daysBetween(origin, day),
]

function sumRow(from: Day, days: number, origin: Day): number[] {
  const sum = Array.from({ length: 8 }, () => 0)
  for (let ahead = 0; ahead < days; ahead++)
    rowOf(addDays(from, ahead), origin).forEach((value, index) => (sum[index]! += value))
  return sum
}

function fitted(values: readonly DayValue[], from: Day): Fit | undefined {
  const first = addDays(from, -FIT_DAYS)
  const used = values.filter(({ day }) => day < from && day >= first)
  const weekdays = new Set(used.map(({ day }) => weekday(day)))
  if (used.length < LEAST_FIT_DAYS || weekdays.size < 7) return undefined
  const rows = new Matrix(used.map(({ day }) => rowOf(day, from)))
  const outcomes = Matrix.columnVector(used.map(({ value }) => value))
  const unscaled = inverse(rows.transpose().mmul(rows))
  const coefficients = unscaled.mmul(rows.transpose()).mmul(outcomes).to1DArray()
  const residuals = used.map(({ day, value }) => ({ day, value: value - dot(rowOf(day, from), coefficients) }))
  const variance = residuals.reduce((sum, { value }) => sum + value * value, 0) / (used.length - coefficients.length)
  return withCautiousTrend(
    { coefficients, covariance: unscaled.mul(variance), variance, likeness: likenessOf(residuals) },
    used,
    from,
  )
}

/**
 * A trend counts as far as it is larger than its own error; the weekday levels turn around the middle of the data, so
 * that the fit stays true there.
 */
function withCautiousTrend(fit: Fit, used: readonly DayValue[], origin: Day): Fit {
  const trend = fit.coefficients[7]!
  const error = Math.sqrt((fit.covariance.get(7, 7) * (1 + fit.likeness)) / (1 - fit.likeness))
  const kept = trend === 0 ? 0 : Math.max(0, 1 - (error / trend) ** 2)
  const middle = used.reduce((sum, { day }) => sum + daysBetween(origin, day), 0) / used.length
  const coefficients = fit.coefficients.map((value, index) =>
    index === 7 ? value * kept : value + trend * (1 - kept) * middle,
  )
  return { ...fit, coefficients }
}

/** The lag-one autocorrelation of residuals on neighbouring days, never below zero and never above 0.8. */
function likenessOf(residuals: readonly DayValue[]): number {
  let together = 0
  let alone = 0
  residuals.forEach(({ day, value }, index) => {
    const before = residuals[index - 1]
    if (before && addDays(before.day, 1) === day) together += before.value * value
    alone += value * value
  })
  return alone === 0 ? 0 : Math.min(0.8, Math.max(0, together / alone))
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, index) => sum + value * b[index]!, 0)
