/**
 * Where figures stand on a strip, in percent of its length: as the root of their size, so that many small ones do not lie
 * on one spot beside a single large one; the order stays, and nothing stands at nothing.
 *
 * @param most  the figure at the far end
 * @example     placesOnStrip([0, 25, 100], 100) // [0, 50, 100]
 */
export const placesOnStrip = (values: readonly number[], most: number): number[] =>
  values.map((value) => (most > 0 ? 100 * Math.sqrt(Math.max(0, value) / most) : 0))
