import { formatter, type Rounding } from './formatter'

/** The space that keeps a number and its unit on one line. */
const NARROW = '\u202F'

/**
 * A count in full, in the reader's locale.
 *
 * @example formatCount(412806, 'en-GB') // '412,806'
 */
export const formatCount = (value: number, locale: string, rounding: Rounding = 'near'): string =>
  written(value, 0, locale, rounding)

/**
 * A count in short, with three digits that count; only for places where the full number is one hover or focus away.
 *
 * @example formatCompact(224391, 'en-GB') // '224 k'
 */
export function formatCompact(value: number, locale: string, rounding: Rounding = 'near'): string {
  const { digits, unit } = compactParts(value, locale, rounding)
  return unit ? `${digits}${NARROW}${unit}` : digits
}

/** A count in short, as digits and unit apart, so that the unit can be set smaller. */
export function compactParts(
  value: number,
  locale: string,
  rounding: Rounding = 'near',
): { digits: string; unit: string } {
  const scale =
    Math.abs(value) >= 999_500
      ? { by: 1_000_000, unit: 'M' }
      : Math.abs(value) >= 1000
        ? { by: 1000, unit: 'k' }
        : { by: 1, unit: '' }
  const scaled = value / scale.by
  const fraction = scale.by === 1 ? 0 : Math.abs(scaled) >= 99.95 ? 0 : 1
  return { digits: written(scaled, fraction, locale, rounding), unit: scale.unit }
}

/**
 * A proportion as a percentage with one decimal.
 *
 * @example formatShare(0.0512, 'en-GB') // '5.1 %'
 */
export const formatShare = (value: number, locale: string, rounding: Rounding = 'near'): string =>
  `${oneDecimal(value * 100, locale, rounding)}${NARROW}%`

/**
 * A change of a proportion as a percentage with its sign.
 *
 * @example formatSignedShare(-0.146, 'en-GB') // '−14.6 %'
 */
export const formatSignedShare = (value: number, locale: string, rounding: Rounding = 'near'): string =>
  `${value > 0 ? '+' : ''}${formatShare(value, locale, rounding)}`

/**
 * A length of time in the two largest units that fit, from seconds to hours; hours are counted on.
 *
 * @param seconds  a length (≥ 0)
 * @example        formatDuration(3725, 'en-GB') // '1 h 2 min'
 */
export function formatDuration(seconds: number, locale: string, rounding: Rounding = 'near'): string {
  if (seconds < 60) return `${oneDecimal(seconds, locale, rounding)}${NARROW}s`
  const whole = ROUND[rounding](undusted(seconds))
  if (whole < 3600) return `${Math.floor(whole / 60)}${NARROW}min ${whole % 60}${NARROW}s`
  return `${formatCount(Math.floor(whole / 3600), locale)}${NARROW}h ${Math.floor((whole % 3600) / 60)}${NARROW}min`
}

/** A number with one decimal. */
export const oneDecimal = (value: number, locale: string, rounding: Rounding = 'near'): string =>
  written(value, 1, locale, rounding)

const ROUND = { near: Math.round, down: Math.floor, up: Math.ceil }

/** Without the dust of binary arithmetic, which would carry 7.000000000000001 up to 7.1. */
const undusted = (value: number): number => Number(value.toPrecision(12))

const written = (value: number, decimals: number, locale: string, rounding: Rounding): string =>
  formatter(locale, decimals, rounding)
    .format(rounding === 'near' ? value : undusted(value))
    .replace('-', '−')
