/**
 * Values in their order, evenly thinned to as many as there is room for; the first and the last stay.
 *
 * @example thinned([1, 2, 3, 4, 5], 3) // [1, 3, 5]
 */
export function thinned(values: readonly number[], most: number): number[] {
  if (values.length <= most) return [...values]
  return Array.from({ length: most }, (_, index) => values[Math.round((index * (values.length - 1)) / (most - 1))]!)
}
