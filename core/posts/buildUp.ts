import { quantile } from '../statistics/median'

/** What a post had brought at an age. */
export interface AgePoint {
  /** How old it was, in hours. */
  hours: number
  value: number
}

/** A gap that is shorter than this is none, in hours. */
const SHORT_HOURS = 6

/**
 * Whether too little is known between two looks at a post: the time between them is longer than six hours, and longer
 * than the post was old. What lies there is not drawn and not read off.
 *
 * @example isGap(24, 48) // false: it was a day old, and a day later it was looked at again
 */
export const isGap = (from: number, to: number): boolean => to - from > Math.max(SHORT_HOURS, from)

/**
 * How a figure of a post built up: from nothing when it was published, look by look.
 *
 * @param looks  when it was looked at and what was there, in any order; looks from before it was published are left out
 * @example      buildUp(new Date('2026-10-01T08:00Z'), [{ at: new Date('2026-10-01T09:00Z'), value: 7 }])
 *               // [{ hours: 0, value: 0 }, { hours: 1, value: 7 }]
 */
export function buildUp(publishedAt: Date, looks: readonly { at: Date; value: number | null }[]): AgePoint[] {
  const points = looks
    .flatMap(({ at, value }) =>
      value === null || at <= publishedAt ? [] : [{ hours: (at.getTime() - publishedAt.getTime()) / 3_600_000, value }],
    )
    .sort((a, b) => a.hours - b.hours)
  return points.length === 0 ? [] : [{ hours: 0, value: 0 }, ...points]
}

/**
 * What a post had brought at an age, on the straight line between the looks around it.
 *
 * @returns undefined before and after what is known, and in a gap
 * @example valueAtAge([{ hours: 0, value: 0 }, { hours: 4, value: 8 }], 3) // 6
 */
export function valueAtAge(points: readonly AgePoint[], hours: number): number | undefined {
  const next = points.findIndex((point) => point.hours >= hours)
  if (next < 0) return undefined
  const after = points[next]!
  if (after.hours === hours) return after.value
  const before = points[next - 1]
  if (!before || isGap(before.hours, after.hours)) return undefined
  return before.value + ((hours - before.hours) / (after.hours - before.hours)) * (after.value - before.value)
}

/** When something was reached: at an age, or between two where nobody looked in between. */
export interface Reached {
  low: number
  high: number
}

/**
 * After how many hours a post had half of what it has now. On the straight line between two looks; where they are a gap,
 * some time between them.
 *
 * @returns undefined where it has brought nothing
 * @example timeToHalf([{ hours: 0, value: 0 }, { hours: 2, value: 40 }, { hours: 8, value: 100 }]) // { low: 3, high: 3 }
 */
export function timeToHalf(points: readonly AgePoint[]): Reached | undefined {
  const half = (points.at(-1)?.value ?? 0) / 2
  if (half <= 0) return undefined
  const next = points.findIndex(({ value }) => value >= half)
  const [before, after] = [points[next - 1]!, points[next]!]
  if (isGap(before.hours, after.hours)) return { low: before.hours, high: after.hours }
  const at = before.hours + ((half - before.value) / (after.value - before.value)) * (after.hours - before.hours)
  return { low: at, high: at }
}

/** What posts had brought at an age: the middle half of them, and of how many that is known. */
export interface AgeBand {
  hours: number
  lower: number
  middle: number
  upper: number
  posts: number
}

/**
 * How posts usually build up: at each age the quartiles (type 7 of Hyndman & Fan 1996) of those that were looked at
 * around it. An age at which too few are known is left out.
 *
 * @param least  how many have to be known
 * @example      usualBuildUp(clips, [1, 3, 6, 12, 24], 5)[0] // { hours: 1, lower: 12, middle: 19, upper: 31, posts: 44 }
 */
export function usualBuildUp(
  posts: readonly (readonly AgePoint[])[],
  ages: readonly number[],
  least: number,
): AgeBand[] {
  return ages.flatMap((hours) => {
    const values = posts.flatMap((points) => valueAtAge(points, hours) ?? [])
    if (values.length < least) return []
    const [lower, middle, upper] = [0.25, 0.5, 0.75].map((share) => quantile(values, share)!)
    return [{ hours, lower: lower!, middle: middle!, upper: upper!, posts: values.length }]
  })
}
