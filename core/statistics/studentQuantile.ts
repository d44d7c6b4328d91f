import { normalQuantile } from './normalQuantile'

/**
 * The quantile of Student's t distribution, by its expansion around the normal one: Abramowitz M, Stegun IA (1964),
 * Handbook of Mathematical Functions, 26.7.5; three digits from five degrees of freedom on.
 *
 * @param share    the chance of a value below it (between 0 and 1)
 * @param freedom  degrees of freedom (≥ 5)
 * @throws         RangeError where the expansion is not good enough
 * @example        studentQuantile(0.9, 25) // 1.316
 */
export function studentQuantile(share: number, freedom: number): number {
  if (!(freedom >= 5)) throw new RangeError(`${freedom} degrees of freedom are too few`)
  const z = normalQuantile(share)
  const [z3, z5, z7] = [z ** 3, z ** 5, z ** 7]
  return (
    z +
    (z3 + z) / (4 * freedom) +
    (5 * z5 + 16 * z3 + 3 * z) / (96 * freedom ** 2) +
    (3 * z7 + 19 * z5 + 17 * z3 - 15 * z) / (384 * freedom ** 3)
  )
}
