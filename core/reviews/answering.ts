import { kaplanMeier, medianWait } from '../statistics/kaplanMeier'
import { wilson } from '../statistics/wilson'

/** A review and its answer, in milliseconds since 1970 UTC. */
export interface Asked {
  writtenAt: number
  answeredAt?: number
}

/** How well reviews are answered. */
export interface Answering {
  reviews: number
  waiting: number
  /**
   * Of those whose time to be answered is over: how many were answered within it, and of how many. One that still has
   * time says nothing yet, answered or not.
   */
  inTime?: { answered: number; of: number; share: number; low: number; high: number }
  /**
   * Median hours until a review is answered; those that still wait count as waiting at least so long. Absent while more
   * than half wait.
   */
  medianHours?: number
}

const HOUR = 3_600_000

/**
 * How many reviews are answered in time, and how long answers take.
 *
 * @param wantedHours  within which a review is to be answered; 48 is common practice
 * @param now          in milliseconds since 1970 UTC; answers later than that are not known yet
 * @example answering([{ writtenAt: 0, answeredAt: 3_600_000 }], 48, 500_000_000)
 * // { reviews: 1, waiting: 0, inTime: { answered: 1, of: 1, share: 1, low: 0.2065, high: 1 }, medianHours: 1 }
 */
export function answering(reviews: readonly Asked[], wantedHours: number, now: number): Answering {
  const known = reviews.filter(({ writtenAt }) => writtenAt <= now)
  const answeredOf = ({ answeredAt }: Asked) => (answeredAt !== undefined && answeredAt <= now ? answeredAt : undefined)
  const due = known.filter(({ writtenAt }) => writtenAt + wantedHours * HOUR <= now)
  const answered = due.filter((review) => {
    const at = answeredOf(review)
    return at !== undefined && at - review.writtenAt <= wantedHours * HOUR
  }).length
  const median = medianWait(
    kaplanMeier(
      known.map((review) => {
        const at = answeredOf(review)
        return { time: Math.max(0, (at ?? now) - review.writtenAt) / HOUR, isOver: at !== undefined }
      }),
    ),
  )
  return {
    reviews: known.length,
    waiting: known.filter((review) => answeredOf(review) === undefined).length,
    ...(due.length > 0 && {
      inTime: { answered, of: due.length, share: answered / due.length, ...wilson(answered, due.length) },
    }),
    ...(median !== undefined && { medianHours: median }),
  }
}
