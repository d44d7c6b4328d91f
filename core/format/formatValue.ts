import type { Unit } from '../metrics/metric'
import { formatter, type Rounding } from './formatter'
import { formatCompact, formatCount, formatDuration, formatShare, oneDecimal } from './numbers'

/**
 * A value in full, in the way that its unit is written.
 *
 * @example formatValue(0.0512, 'share', 'en-GB') // '5.1 %'
 */
export function formatValue(value: number, unit: Unit, locale: string, rounding: Rounding = 'near'): string {
  switch (unit) {
    case 'share':
      return formatShare(value, locale, rounding)
    case 'times':
      return oneDecimal(value, locale, rounding)
    case 'seconds':
      return formatDuration(value, locale, rounding)
    default:
      return formatCount(value, locale, rounding)
  }
}

/**
 * A value in short, for places where the full one is one hover or focus away: only counts are shortened.
 *
 * @example formatShort(224391, 'people', 'en-GB') // '224 k'
 */
export const formatShort = (value: number, unit: Unit, locale: string, rounding: Rounding = 'near'): string =>
  unit === 'count' || unit === 'people'
    ? formatCompact(value, locale, rounding)
    : formatValue(value, unit, locale, rounding)

/**
 * A difference with its sign, in the way that its unit is written; of shares in points with two decimals. What rounds
 * to nothing has no sign.
 *
 * @example formatDifference(0.0031, 'share', 'en-GB') // '+0.31 pt'
 */
export function formatDifference(difference: number, unit: Unit, locale: string): string {
  const size = Math.abs(difference)
  const text = unit === 'share' ? `${formatter(locale, 2).format(size * 100)}\u202Fpt` : formatValue(size, unit, locale)
  return `${/[1-9]/.test(text) ? (difference > 0 ? '+' : '−') : ''}${text}`
}
