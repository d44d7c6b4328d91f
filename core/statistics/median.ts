/**
 * The median: the middle value, or the mean of the two middle ones.
 *
 * @returns undefined for no values
 * @example median([3, 1, 2, 10]) // 2.5
 */
export function median(values: readonly number[]): number | undefined {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  if (sorted.length === 0) return undefined
  return sorted.length % 2 === 1 ? sorted[middle] : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/**
 * A quantile by linear interpolation between order statistics: type 7 of Hyndman RJ, Fan Y (1996), The American
 * Statistician 50:361–365.
 *
 * @param share  from 0 to 1
 * @returns      undefined for no values
 * @example      quantile([1, 2, 3, 4], 0.25) // 1.75
 */
export function quantile(values: readonly number[], share: number): number | undefined {
  if (values.length === 0) return undefined
  if (!(share >= 0 && share <= 1)) throw new RangeError(`${share} is no share of a whole`)
  const sorted = [...values].sort((a, b) => a - b)
  const place = (sorted.length - 1) * share
  const low = Math.floor(place)
  const high = Math.min(low + 1, sorted.length - 1)
  return sorted[low]! + (place - low) * (sorted[high]! - sorted[low]!)
}
