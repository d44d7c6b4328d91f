import type { Dataset } from './dataset'

/** The bits of the columns of each dataset that was asked for. */
const bits = new WeakMap<Dataset, ReadonlyMap<string, number>>()

function bitsByColumn(dataset: Dataset): ReadonlyMap<string, number> {
  const known = bits.get(dataset)
  if (known) return known
  const { measures, texts } = dataset
  const made = new Map([...measures, ...texts].map(({ column, bit }) => [column, 2 ** bit]))
  bits.set(dataset, made)
  return made
}

/**
 * The value of the bit that stands for a column of a dataset where a set of columns is kept as one number, at most 2⁴⁷:
 * whole numbers up to there are exact.
 *
 * @throws RangeError when the dataset has no such column
 */
export function bitOf(dataset: Dataset, column: string): number {
  const bit = bitsByColumn(dataset).get(column)
  if (bit === undefined) throw new RangeError(`${dataset.id} has no column "${column}"`)
  return bit
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
