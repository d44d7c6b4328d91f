import { atMost } from './evenOdds'

/** The middle of some values and between which of them the middle of all such values lies. */
export interface MedianInterval {
  value: number
  low: number
  high: number
}

/** How often an interval holds the middle, at the least: five values are the fewest of which one can be told. */
export const MEDIAN_LEVEL = 0.9

/**
 * The median with an interval that asks nothing of how values are spread, but that they came independently: it reaches
 * from the k-th smallest to the k-th largest, k as large as the level allows (Thompson WR 1936, Annals of Mathematical
 * Statistics 7:122–128; Conover WJ 1999, Practical Nonparametric Statistics, 3.2).
 *
 * @param level  how often the interval holds the median at the least, above 0 and below 1
 * @returns      undefined where even the smallest and the largest value do not reach the level
 * @throws       RangeError for another level
 * @example      medianInterval([3, 1, 4, 1, 5]) // { value: 3, low: 1, high: 5 }: holds it in 93.75 % of cases
 */
export function medianInterval(values: readonly number[], level = MEDIAN_LEVEL): MedianInterval | undefined {
  if (!(level > 0 && level < 1)) throw new RangeError(`${level} is no level of an interval`)
  const sorted = Float64Array.from(values).sort()
  const { length } = sorted
  const tail = atMost(length)
  // how many values may lie outside on either side
  let outside = -1
  for (let below = 0; below < length / 2 && tail(below) <= (1 - level) / 2; below++) outside = below
  if (outside < 0) return undefined
  const half = length >> 1
  return {
    value: length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2,
    low: sorted[outside]!,
    high: sorted[length - 1 - outside]!,
  }
}
