import { studentQuantile } from '../statistics/studentQuantile'

/** Over how many weeks growth is measured, and of how many it has to be known at least. */
export const GROWTH_WEEKS = 26
const LEAST_WEEKS = 8

/** How fast something grows in a week, on the scale of logarithms. */
export interface WeeklyGrowth {
  /** The mean growth of a week: 0.01 is 1 %. */
  mean: number
  /** How much single weeks differ from it: their standard deviation. */
  spread: number
  /** Of how many weeks. */
  weeks: number
}

/**
 * The weekly growth of a following that is made of several profiles. A week counts those profiles that have a level at
 * both of its ends, so that a profile that came or went is no growth.
 *
 * @param levels  of each profile, day by day over the same days; NaN where there is none. The last day ends the last week
 * @param weeks   how many weeks at most
 * @returns       the growth of each week, the latest last
 * @example       weeklyGrowths([Float64Array.from([100, 0, 0, 0, 0, 0, 0, 101])]) // [Math.log(1.01)]
 */
export function weeklyGrowths(levels: readonly Float64Array[], weeks = GROWTH_WEEKS): (number | undefined)[] {
  const length = Math.max(0, ...levels.map((days) => days.length))
  const growths: (number | undefined)[] = []
  for (let end = length - 1; end >= 7 && growths.length < weeks; end -= 7) {
    let [before, after] = [0, 0]
    for (const days of levels) {
      const [from, to] = [days[end - 7]!, days[end]!]
      if (!(from >= 0 && to >= 0)) continue
      before += from
      after += to
    }
    growths.push(before > 0 && after > 0 ? Math.log(after / before) : undefined)
  }
  return growths.reverse()
}

/**
 * The mean of some weeks' growth, and how much they differ.
 *
 * @returns undefined where fewer than eight weeks are known
 * @example weeklyGrowth(Array(26).fill(0.01)) // { mean: 0.01, spread: 0, weeks: 26 }
 */
export function weeklyGrowth(growths: readonly (number | undefined)[]): WeeklyGrowth | undefined {
  const known = growths.filter((growth) => growth !== undefined)
  const weeks = known.length
  if (weeks < LEAST_WEEKS) return undefined
  const mean = known.reduce((sum, growth) => sum + growth, 0) / weeks
  const squares = known.reduce((sum, growth) => sum + (growth - mean) ** 2, 0)
  return { mean, spread: Math.sqrt(squares / (weeks - 1)), weeks }
}

/**
 * Growth over some weeks at the pace of a week, compounded, with the 80 % interval of that pace (Student).
 *
 * @example growthOver({ mean: 0.01, spread: 0.004, weeks: 26 }, 4) // { value: 0.0408, low: 0.0365, high: 0.0451 }
 */
export function growthOver(
  { mean, spread, weeks }: WeeklyGrowth,
  over: number,
): { value: number; low: number; high: number } {
  const reach = (studentQuantile(0.9, weeks - 1) * spread) / Math.sqrt(weeks)
  const at = (pace: number) => Math.expm1(pace * over)
  return { value: at(mean), low: at(mean - reach), high: at(mean + reach) }
}
