import type { Dataset } from './dataset'

/**
 * The value of the bit that stands for a column of a dataset where a set of columns is kept as one number, at most 2⁴⁷:
 * whole numbers up to there are exact.
 *
 * @throws RangeError when the dataset has no such column
 */
export function bitOf({ id, measures, texts }: Dataset, column: string): number {
  const found = measures.find((each) => each.column === column) ?? texts.find((each) => each.column === column)
  if (!found) throw new RangeError(`${id} has no column "${column}"`)
  return 2 ** found.bit
}

/**
 * A set of columns as a number.
 *
 * @example bitsOf(PROFILE_DAY, ['impressions', 'watch_seconds']) // 5
 */
export const bitsOf = (dataset: Dataset, columns: Iterable<string>): number =>
  [...new Set(columns)].reduce((bits, column) => bits + bitOf(dataset, column), 0)

/**
 * Whether a set that is kept as a number holds a column.
 *
 * @example hasBit(PROFILE_DAY, 5, 'views') // false
 */
export const hasBit = (dataset: Dataset, bits: number, column: string): boolean =>
  Math.floor(bits / bitOf(dataset, column)) % 2 === 1
