import { median } from '../statistics/median'

/** Above this size a modified z-score is called unusual (Iglewicz & Hoaglin 1993). */
export const UNUSUAL_ABOVE = 3.5

/**
 * The modified z-scores of values: 0.6745 · (x − median) / MAD, where MAD is the median of the absolute deviations from
 * the median. Iglewicz B, Hoaglin DC (1993), "How to detect and handle outliers"; NIST/SEMATECH e-Handbook of
 * Statistical Methods, 1.3.5.17. A MAD of zero falls back to the mean absolute deviation, (x − median) / (1.253314 ·
 * MeanAD); where that is zero too, every score is 0.
 *
 * @example modifiedZ([1, 2, 3, 4, 100])[4] // 65.4
 */
export function modifiedZ(values: readonly number[]): number[] {
  const centre = median(values)
  if (centre === undefined) return []
  const deviations = values.map((value) => Math.abs(value - centre))
  const mad = median(deviations)!
  if (mad > 0) return values.map((value) => (0.6745 * (value - centre)) / mad)
  const mean = deviations.reduce((sum, deviation) => sum + deviation, 0) / deviations.length
  return values.map((value) => (mean > 0 ? (value - centre) / (1.253314 * mean) : 0))
}
