import type { Figure } from '../figures/figure'
import { isSigned, metricById } from '../metrics/catalogue'
import type { Unit } from '../metrics/metric'
import { formatShort, formatValue } from './formatValue'
import { compactParts, oneDecimal } from './numbers'

/** A figure in words and digits, for the page, the PDF and for reading aloud. */
export interface FigureText {
  /** The number, or an em dash. */
  text: string
  /** The unit, to be set smaller. */
  unit: string
  /** The number in full, for hover, focus and screen readers. */
  full: string
  /** The bounds below an estimate: "112 to 273 k". */
  range?: string
}

/**
 * A figure as it stands on the page. An estimate has ≈ before it and its range beside it; a bounded figure is its
 * range.
 *
 * @example formatFigure({ metric: 'reach', value: 224391, low: 112402, high: 272206, exactness: 'estimated', … },
 *                         'en-GB').text // '≈ 224'
 */
export function formatFigure(figure: Figure, locale: string): FigureText {
  const { unit } = metricById(figure.metric)
  const { value, low, high } = figure
  if (value === undefined && low === undefined) return { text: '—', unit: '', full: figure.reason ?? 'no value' }
  const range = low === undefined ? undefined : rangeText(low, high, unit, locale)
  const fullRange =
    low === undefined
      ? ''
      : high === undefined
        ? `at least ${formatValue(low, unit, locale, 'down')}`
        : `between ${formatValue(low, unit, locale, 'down')} and ${formatValue(high, unit, locale, 'up')}`
  if (value === undefined) return { text: range!, unit: '', full: fullRange }
  if (figure.exactness === 'exact') {
    const sign = isSigned(metricById(figure.metric)) && value > 0 ? '+' : ''
    const [digits, small] =
      unit === 'share' ? [oneDecimal(value * 100, locale), '%'] : [sign + formatValue(value, unit, locale), '']
    return { text: digits!, unit: small!, full: sign + formatValue(value, unit, locale) }
  }
  const short =
    unit === 'share'
      ? { digits: oneDecimal(value * 100, locale), unit: '%' }
      : unit === 'times' || unit === 'seconds'
        ? { digits: formatValue(value, unit, locale), unit: '' }
        : compactParts(value, locale)
  return {
    text: `≈ ${short.digits}`,
    unit: short.unit,
    full: `about ${formatValue(value, unit, locale)}, ${fullRange}`,
    range,
  }
}

function rangeText(low: number, high: number | undefined, unit: Unit, locale: string): string {
  const least = formatShort(low, unit, locale, 'down')
  if (high === undefined) return `at least ${least}`
  const [a, b] = [least, formatShort(high, unit, locale, 'up')]
  if (a === b) return a
  const tail = /\s?[kM%]$/u.exec(b)?.[0]
  return tail && a.endsWith(tail) ? `${a.slice(0, -tail.length)} to ${b}` : `${a} to ${b}`
}
