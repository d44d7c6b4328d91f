import type { Asked } from '../../../core/reviews/answering'
import type { StarCounts } from '../../../core/reviews/ratings'
import { answeredAt, type ReviewRow } from './reviewRows'

/** So many reviews of a period are read at once, the newest. */
export const MOST_READ = 20_000

/** When a review was written, and when it was answered. */
export const askedOf = (row: ReviewRow): Asked => {
  const at = answeredAt(row)
  return { writtenAt: row.writtenAt.getTime(), ...(at && { answeredAt: at.getTime() }) }
}

/** How many of some reviews gave one star, two, and so on. */
export function starsOf(rows: readonly { stars: number | null }[]): StarCounts {
  const counts: [number, number, number, number, number] = [0, 0, 0, 0, 0]
  for (const { stars } of rows) if (stars !== null) counts[stars - 1]!++
  return counts
}

/** How many reviews there are with so many stars. */
export interface StarRow {
  stars: number | null
  reviews: number
}

/** The same of rows that are counted already. */
export const summed = (rows: readonly StarRow[]): StarCounts =>
  [1, 2, 3, 4, 5].map((many) => rows.find(({ stars }) => stars === many)?.reviews ?? 0) as unknown as StarCounts
