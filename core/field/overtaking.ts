import { studentQuantile } from '../statistics/studentQuantile'
import { weeklyGrowth } from './growth'

/** Further ahead than two years nothing is said of a pace. */
export const HORIZON_WEEKS = 104
/** How sure the near and the far end of a range are. */
const NEAR = 0.1
const FAR = 0.9

/** When one following stands level with another, if both go on as they did. */
export interface Overtaking {
  /** How much faster the smaller one grew in a week: 0.01 is a point of percent on the scale of logarithms. */
  pace: number
  /** At that pace exactly, in weeks; absent where it is no faster. */
  weeks?: number
  /** With 80 %: not before, in weeks; absent where it is not within two years. */
  from?: number
  /** Not after; absent where it can be later than in two years, or never. */
  to?: number
}

/**
 * When a smaller following stands level with a larger one, if both go on at the pace of their last weeks. The range
 * takes in that weeks differ, and that the pace is known from a few of them alone: after n weeks the gap has closed by
 * n·m on average, with the variance s²·(n + n²/k) where m and s² are those of the k weeks, under Student's t: the
 * prediction of a sum of independent weeks (common practice).
 *
 * @param smaller  its growth week by week, on the scale of logarithms, as `weeklyGrowths` gives it
 * @param larger   that of the larger one, of the same weeks
 * @param ratio    the larger following / the smaller one (≥ 1)
 * @returns        undefined where fewer than eight weeks are known of both
 * @throws         RangeError when the smaller one is larger
 * @example        overtaking(Array(26).fill(0.0148), Array(26).fill(0.0042), 5.27)?.weeks // 156.8
 */
export function overtaking(
  smaller: readonly (number | undefined)[],
  larger: readonly (number | undefined)[],
  ratio: number,
): Overtaking | undefined {
  if (!(ratio >= 1)) throw new RangeError(`a following of ${ratio} times is not the larger one`)
  const both = weeklyGrowth(
    smaller.map((growth, week) => {
      const other = larger[week]
      return growth === undefined || other === undefined ? undefined : growth - other
    }),
  )
  if (!both) return undefined
  const gap = Math.log(ratio)
  const { mean, spread, weeks: known } = both
  const reaches = (share: number): number | undefined => {
    // with the chance `share` the gap has closed by more than this
    const far = studentQuantile(1 - share, known - 1) * spread
    for (let week = 0; week <= HORIZON_WEEKS; week++)
      if (week * mean + far * Math.sqrt(week + week ** 2 / known) >= gap) return week
    return undefined
  }
  const [from, to] = [reaches(NEAR), reaches(FAR)]
  return {
    pace: mean,
    ...(mean > 0 && { weeks: gap / mean }),
    ...(from !== undefined && { from }),
    ...(to !== undefined && { to }),
  }
}
