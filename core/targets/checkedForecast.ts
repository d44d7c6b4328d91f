import { addDays, type Day } from '../days/day'
import { median } from '../statistics/median'
import { RANGE_LEVEL, type Outlook } from './forecast'

/** A forecast with the range that is made to hold four of five outcomes. */
export interface Forecast {
  value: number
  low: number
  high: number
}

/**
 * How earlier forecasts of the same length came out, each made from nothing but what was known then, over days that do
 * not overlap.
 */
export interface HoldOut {
  tried: number
  /** How many outcomes lay within the range that would have been given. */
  within: number
  /** The median size of the error, as a part of the outcome; absent where outcomes were zero. */
  typicalError?: number
  /** Whether so few lay within that the range does not hold what it says: nothing may be concluded from it. */
  hasFailed: boolean
}

export type CheckedForecast = Forecast & { checked: HoldOut }

/** How a figure is forecast from an earlier day, and what came of it. */
export interface Forecaster {
  /** What would have been said on the day before `from`, from nothing later. */
  outlook: (from: Day) => Outlook | undefined
  /** What then came over the same number of days; undefined where too much of it is missing. */
  outcome: (from: Day) => number | undefined
}

/**
 * How many earlier forecasts are tried at the most, and how many of them a range has to rest on before it can be
 * checked itself.
 */
export const MOST_ORIGINS = 24
export const LEAST_ORIGINS = 4
/** A range has failed when so few or fewer would lie within by chance only once in ten times. */
const FAILED_BELOW = 0.1
/** Fewer than this many checks prove nothing either way. */
const LEAST_CHECKS = 5

/**
 * A forecast whose range is made from how far earlier forecasts were off. The model's own spread says how the
 * uncertainty changes from time to time; how many spreads outcomes really lay off is learned from earlier forecasts
 * over days that do not overlap: the smallest number of spreads that held four of five of them (split conformal
 * prediction: Vovk, Gammerman & Shafer 2005, ch. 4). Each earlier range is made in the same way from the forecasts
 * before it, and is checked against what came: that is the hold-out.
 *
 * @param from   the first day that has not come yet
 * @param days   the length of the forecast
 * @param first  the first day of the past
 * @returns      undefined where no forecast can be made today
 * @example      checkedForecast(forecaster, '2026-10-29', 30, '2024-10-29')?.checked // { tried: 19, within: 15, … }
 */
export function checkedForecast(
  { outlook, outcome }: Forecaster,
  from: Day,
  days: number,
  first: Day,
): CheckedForecast | undefined {
  const today = outlook(from)
  if (!today) return undefined
  const trials: { off: number; error?: number }[] = []
  for (let back = 1; back <= MOST_ORIGINS; back++) {
    const origin = addDays(from, -days * back)
    if (origin <= first) break
    const [told, came] = [outlook(origin), outcome(origin)]
    if (told && came !== undefined)
      trials.unshift({
        off: Math.abs(came - told.value) / spreadOf(told),
        ...(came !== 0 && { error: Math.abs(told.value / came - 1) }),
      })
  }
  const offs = trials.map(({ off }) => off)
  const half = spreadsHeld(offs) * spreadOf(today)
  return {
    value: today.value,
    low: today.value - half,
    high: today.value + half,
    checked: checkOf(
      offs,
      trials.flatMap(({ error }) => error ?? []),
    ),
  }
}

/** A spread that is more than the error of arithmetic: where every day is like the others there is none. */
const spreadOf = ({ value, spread }: Outlook): number => Math.max(spread, 1e-6 * Math.abs(value), 1e-9)

/**
 * How many spreads wide half a range has to be to hold four of five; one spread where there are too few forecasts to
 * learn from.
 */
function spreadsHeld(offs: readonly number[]): number {
  if (offs.length < LEAST_ORIGINS) return 1
  const sorted = [...offs].sort((a, b) => a - b)
  // what is off by no more than the error of arithmetic is not off
  return Math.max(1e-3, sorted[Math.min(sorted.length, Math.ceil(RANGE_LEVEL * (sorted.length + 1))) - 1]!)
}

function checkOf(offs: readonly number[], errors: readonly number[]): HoldOut {
  let tried = 0
  let within = 0
  for (let index = LEAST_ORIGINS; index < offs.length; index++) {
    tried++
    if (offs[index]! <= spreadsHeld(offs.slice(0, index))) within++
  }
  const typicalError = median(errors)
  return {
    tried,
    within,
    ...(typicalError !== undefined && { typicalError }),
    hasFailed: tried >= LEAST_CHECKS && chanceOfAtMost(within, tried) < FAILED_BELOW,
  }
}

/** How likely so few or fewer of some trials succeed, when each succeeds four times in five (binomial distribution). */
function chanceOfAtMost(within: number, tried: number): number {
  let term = (1 - RANGE_LEVEL) ** tried
  let sum = term
  for (let count = 1; count <= within; count++) {
    term *= ((tried - count + 1) / count) * (RANGE_LEVEL / (1 - RANGE_LEVEL))
    sum += term
  }
  return sum
}
