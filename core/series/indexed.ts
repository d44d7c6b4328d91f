/** Values on a scale on which the first that is above zero is 100. */
export interface Indexed {
  values: (number | null)[]
  /** The place of the value that is 100, or undefined when none is above zero. */
  base: number | undefined
}

/**
 * Puts a series on the scale of its own beginning, so that series of different size and unit can be laid over each
 * other.
 *
 * @param values  day by day; null where there is no data
 * @returns       100 × value / first value above zero; what comes before that value is left out
 * @example       indexed([null, 40, 50, 20]).values // [null, 100, 125, 50]
 */
export function indexed(values: readonly (number | null)[]): Indexed {
  const base = values.findIndex((value) => value !== null && value > 0)
  if (base < 0) return { values: values.map(() => null), base: undefined }
  return {
    values: values.map((value, index) => (value === null || index < base ? null : (100 * value) / values[base]!)),
    base,
  }
}
