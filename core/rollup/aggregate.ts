import type { Day } from '../days/day'
import type { FactColumn, FlowColumn, StockColumn } from '../metrics/storedFigures'
import type { DenseDays } from './denseDays'

/** How old a level may be and still count at the end of a period, in days. */
export const STOCK_AGE_DAYS = 7

/**
 * How far windows of people reach over the ends of a period at the most, in days: a window of 28 days has one day
 * inside it at least.
 */
export const WINDOW_REACH_DAYS = 27

/** One profile over one period: everything that figures are made from. An absent entry means that no day had data. */
export interface ProfileAggregate {
  profile: number
  network: string
  /** Only what everybody can see is known of it: its owner has not given consent, or it is a rival's. */
  isPublicOnly?: boolean
  sums: Partial<Record<FlowColumn, number>>
  /** Days with data, by column. */
  counts: Partial<Record<FactColumn, number>>
  /** The last level at or before the period's end, no older than `STOCK_AGE_DAYS`. */
  stocks: Partial<Record<StockColumn, { day: Day; value: number }>>
  /**
   * The profile day by day. It is left out where nothing needs it: no daily count has a gap, and nobody has asked for
   * people. Where people are asked for, it reaches `WINDOW_REACH_DAYS` over both ends of the period.
   */
  days?: DenseDays
}

/** A profile of which nothing was added up yet. */
export const emptyAggregate = ({
  profile,
  network,
  isPublicOnly,
}: Pick<ProfileAggregate, 'profile' | 'network' | 'isPublicOnly'>): ProfileAggregate => ({
  profile,
  network,
  isPublicOnly,
  sums: {},
  counts: {},
  stocks: {},
})
