/** Fewer values than these have no change point. */
const LEAST = 16

/** Where a series changes its level. */
export interface ChangePoint {
  /** The place of the first value after the change. */
  at: number
  /** How likely a change as clear as this comes about by chance, where there is none; approximate below 0.5. */
  chance: number
}

/**
 * Where the level of a series changes, if it does once: the test of Pettitt (1979), Applied Statistics 28:126–135, which
 * asks nothing of how the values are spread, but that they come independently.
 *
 * @returns undefined for fewer than sixteen values
 * @example changePoint([...Array(13).fill(1), ...Array(13).fill(2)]) // { at: 13, chance: 0.0001 }
 */
export function changePoint(values: readonly number[]): ChangePoint | undefined {
  const count = values.length
  if (count < LEAST) return undefined
  let [sum, most, at] = [0, -1, 0]
  for (let place = 0; place < count - 1; place++) {
    // U(t) = U(t − 1) + how many of the others lie above this value, less how many lie below it
    for (const other of values) sum += Math.sign(values[place]! - other)
    if (Math.abs(sum) > most) [most, at] = [Math.abs(sum), place + 1]
  }
  return { at, chance: Math.min(1, 2 * Math.exp((-6 * most ** 2) / (count ** 3 + count ** 2))) }
}
