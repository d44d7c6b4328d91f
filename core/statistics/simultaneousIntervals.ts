import { normalQuantile } from './normalQuantile'
import { wilson } from './wilson'

/**
 * Intervals for several proportions of the same people, which hold all of them together with 95 %: of twenty answers
 * one would else lie outside its own interval by chance. Goodman LA (1965), Technometrics 7:247–254: the score interval
 * with the χ² of one degree of freedom at α/k. It also holds where people could give several answers, since its proof
 * (Bonferroni) asks nothing of how the answers go together.
 *
 * @param counts  how many gave each answer (0 to `total`)
 * @param total   how many people answered (> 0)
 * @param level   with which chance all hold (between 0 and 1)
 * @throws        RangeError when a count is no part of the total
 * @example       simultaneousIntervals([56, 72, 73, 59, 62, 87, 58], 467)[0] // { low: 0.085…, high: 0.166… }
 */
export function simultaneousIntervals(
  counts: readonly number[],
  total: number,
  level = 0.95,
): { low: number; high: number }[] {
  const z = normalQuantile(1 - (1 - level) / (2 * counts.length))
  return counts.map((count) => wilson(count, total, z))
}
