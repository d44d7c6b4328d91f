import type { Day } from '../days/day'
import { forecastSum, type Outlook } from './forecast'

/** Both parts of a rate on a day that has both. */
export interface DayParts {
  day: Day
  top: number
  bottom: number
}

/** A rate over coming days, with what its denominator comes to. */
export interface RateOutlook extends Outlook {
  bottom: number
}

/**
 * A rate over coming days: what is to come of its numerator, over what is to come of its denominator. The spread is
 * that of the residual part, top − rate × bottom, over the denominator (the linearisation of a ratio estimator: Cochran
 * 1977, Sampling Techniques, ch. 6).
 *
 * @returns undefined with fewer than 28 days of data, or where nothing of the denominator is expected
 * @example forecastRate(lastTwelveWeeks, '2026-10-29', 30)?.value
 */
export function forecastRate(parts: readonly DayParts[], from: Day, days: number): RateOutlook | undefined {
  const list = (of: (part: DayParts) => number) => parts.map((part) => ({ day: part.day, value: of(part) }))
  const [above, below] = [
    forecastSum(
      list(({ top }) => top),
      from,
      days,
    ),
    forecastSum(
      list(({ bottom }) => bottom),
      from,
      days,
    ),
  ]
  if (!above || !below || below.value <= 0) return undefined
  const rate = Math.max(0, above.value) / below.value
  const left = forecastSum(
    list(({ top, bottom }) => top - rate * bottom),
    from,
    days,
  )!
  return { value: rate, spread: left.spread / below.value, bottom: below.value }
}
