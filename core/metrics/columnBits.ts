import type { FactColumn } from './metric'

/**
 * The bit that stands for a stored column where a set of columns is kept as one number. Bits are stored: none is ever
 * given to another column, and a new column takes the next one.
 */
const BITS: Readonly<Record<FactColumn, number>> = {
  impressions: 0,
  views: 1,
  watch_seconds: 2,
  completed_views: 3,
  reactions: 4,
  comments: 5,
  shares: 6,
  saves: 7,
  clicks: 8,
  posts: 9,
  profile_visits: 10,
  searches: 11,
  listing_views: 12,
  directions: 13,
  calls: 14,
  new_followers: 15,
  lost_followers: 16,
  followers: 17,
  reach_1d: 18,
  reach_7d: 19,
  reach_28d: 20,
  visitors_1d: 21,
  visitors_7d: 22,
  visitors_28d: 23,
}

/** The value of a column's bit, at most 2⁴⁷: whole numbers up to there are exact. */
export const bitOf = (column: FactColumn): number => 2 ** BITS[column]

/**
 * A set of columns as a number.
 *
 * @example bitsOf(['impressions', 'watch_seconds']) // 5
 */
export const bitsOf = (columns: Iterable<FactColumn>): number =>
  [...new Set(columns)].reduce((bits, column) => bits + bitOf(column), 0)

/**
 * Whether a set that is kept as a number holds a column.
 *
 * @example hasBit(5, 'views') // false
 */
export const hasBit = (bits: number, column: FactColumn): boolean => Math.floor(bits / bitOf(column)) % 2 === 1
