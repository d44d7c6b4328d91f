import type { Unit } from '../metrics/metric'
import type { DayPoint } from '../series/dailyPoints'
import { formatValue } from './formatValue'

/**
 * A day of a line in words: its value, its range where it is not exact, or that it has none.
 *
 * @example formatPoint({ day: '2026-10-01', low: 20, high: 30, present: 2 }, 'people', 'en') // '20 to 30'
 */
export function formatPoint(point: DayPoint | undefined, unit: Unit, locale: string): string {
  if (!point || (point.value === undefined && point.low === undefined)) return 'no data'
  const text = (value: number) => formatValue(value, unit, locale)
  const { value, low, high } = point
  const [least, most] = [low, high].map(
    (end, at) => end !== undefined && formatValue(end, unit, locale, at === 0 ? 'down' : 'up'),
  )
  const range = !least ? '' : most ? `${least} to ${most}` : `at least ${least}`
  if (value === undefined) return range
  return range ? `≈ ${text(value)} (${range})` : text(value)
}
