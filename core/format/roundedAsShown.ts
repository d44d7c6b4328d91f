import type { Unit } from '../metrics/metric'

/**
 * An estimate rounded as far as the pages round it, so that a file does not claim more than the page: thousands to a
 * tenth of their unit, shares to a tenth of a percent, the rest as it is written.
 *
 * @example roundedAsShown(61_823.4, 'people') // 61_800
 */
export function roundedAsShown(value: number, unit: Unit): number {
  if (unit === 'share') return Math.round(value * 1000) / 1000
  if (unit === 'times') return Math.round(value * 10) / 10
  if (unit === 'seconds') return Math.round(value)
  const size = Math.abs(value)
  const step =
    size >= 99_950_000 ? 1_000_000 : size >= 999_500 ? 100_000 : size >= 99_950 ? 1000 : size >= 1000 ? 100 : 1
  return Math.round(value / step) * step
}
