import type { Unit } from '../metrics/metric'

/**
 * An end of a range as a file has it: of what is counted in whole ones the next whole number outside the range, of
 * everything else as it is. So what a file calls "at least" is never above the figure's low, nor "at most" below its
 * high.
 *
 * @param side  the low end goes down, the high end up
 * @returns     undefined for an end that there is not
 * @example     wholeEnd(19_063.4, 'people', 'down') // 19_063
 */
export function wholeEnd(value: number | undefined, unit: Unit, side: 'down' | 'up'): number | undefined {
  if (value === undefined || (unit !== 'count' && unit !== 'people')) return value
  return side === 'down' ? Math.floor(value) : Math.ceil(value)
}
