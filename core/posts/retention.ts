/** How many of the plays of a video were on at a place in it. */
export interface RetentionPoint {
  /** The place, in percent of its length. */
  at: number
  plays: number
}

/** Between two places of a video, the part of its plays that ended there. */
export interface RetentionLoss {
  from: number
  to: number
  plays: number
  /** Of all who began it, from 0 to 1. */
  share: number
}

/** What a curve says of a video. */
export interface RetentionReading {
  /** The part of it that was seen on average, from 0 to 1. */
  seen: number
  /** Where, in percent of its length, half of those who began it had left for the first time; absent where none did. */
  half?: number
  /** Where many more were lost than at an even pace, the largest loss first; two at the most. */
  losses: RetentionLoss[]
}

/** Fewer plays than these say nothing of where people leave. */
export const LEAST_PLAYS = 30
const MOST_LOSSES = 2
/** A loss that stands out is this many times what an even pace from the beginning to the end would lose there. */
const STANDS_OUT = 2

/**
 * The part of a video that was seen on average: the area under its curve, by the trapezoidal rule.
 *
 * @param points  from its beginning (0 %) to its end (100 %); plays, or shares of them
 * @example seenPart([{ at: 0, plays: 1 }, { at: 100, plays: 0.5 }]) // 0.75
 */
export function seenPart(points: readonly RetentionPoint[]): number {
  const area = points.slice(1).reduce((sum, { at, plays }, index) => {
    const before = points[index]!
    return sum + ((before.plays + plays) / 2) * (at - before.at)
  }, 0)
  return area / (points[0]!.plays * 100)
}

/**
 * Reads how far a video was watched: the average part that was seen is the area under the curve, by the trapezoidal
 * rule; half of those who began had left on the straight line between two places.
 *
 * @param points  place by place from the beginning of the video; the first says how often it was begun
 * @returns       undefined where it was begun fewer than thirty times, or its curve does not go from its beginning to its end
 * @example readRetention([{ at: 0, plays: 100 }, { at: 20, plays: 40 }, { at: 100, plays: 20 }])
 * // { seen: 0.38, half: 16.67, losses: [{ from: 0, to: 20, plays: 60, share: 0.6 }] }
 */
export function readRetention(points: readonly RetentionPoint[]): RetentionReading | undefined {
  const [first, last] = [points[0], points.at(-1)]
  if (!first || !last || first.at !== 0 || last.at !== 100 || first.plays < LEAST_PLAYS) return undefined
  const begun = first.plays
  let half: number | undefined
  const losses: RetentionLoss[] = []
  for (let index = 1; index < points.length; index++) {
    const [before, after] = [points[index - 1]!, points[index]!]
    if (half === undefined && after.plays <= begun / 2)
      half = before.at + ((before.plays - begun / 2) / (before.plays - after.plays)) * (after.at - before.at)
    if (after.plays < before.plays)
      losses.push({
        from: before.at,
        to: after.at,
        plays: before.plays - after.plays,
        share: (before.plays - after.plays) / begun,
      })
  }
  return {
    seen: seenPart(points),
    ...(half !== undefined && { half }),
    losses: losses
      .filter(({ from, to, plays }) => plays >= (STANDS_OUT * (begun - last.plays) * (to - from)) / 100)
      .sort((a, b) => b.plays - a.plays || a.from - b.from)
      .slice(0, MOST_LOSSES),
  }
}
