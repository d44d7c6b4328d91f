import type { Day } from '../days/day'
import type { FactColumn, FlowColumn, StockColumn, UniqueFamily, WindowDays } from '../metrics/metric'
import { lengthOf, type Period } from '../periods/period'

/** How old a level may be and still count at the end of a period, in days. */
export const STOCK_AGE_DAYS = 7

/** Seven days of the period, counted back from its last day, and what is known of the people reached in them. */
export interface ReachBlock {
  /** Different people in the seven days that end the block, as the network gives it. */
  sevenDays?: number
  /** Different people in the 28 days that end with this block. */
  twentyEightDays?: number
  /** The daily reach of the block added up: a bound, not a reach. */
  dailySum: number
  /** On how many of the block's days there is a daily reach. */
  dailyCount: number
}

/** What is needed of the windows of one profile to know or bound its reach over a period. */
export interface ReachWindows {
  /** Whole blocks of seven days, the newest first, then the days that are left over at the period's start (fewer than seven, perhaps none). */
  blocks: ReachBlock[]
  head: { days: number; dailySum: number; dailyCount: number }
  /** The largest window of each length that lies wholly inside the period. */
  largest: Partial<Record<WindowDays, number>>
}

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
  windows: Record<UniqueFamily, ReachWindows>
}

/** How a period falls into blocks of seven days from its end: the number of whole blocks and the days left over at its start. */
export function blocksOf(period: Period): { blocks: number; headDays: number } {
  const days = lengthOf(period)
  return { blocks: Math.floor(days / 7), headDays: days % 7 }
}

/** Windows that nobody has asked for. */
const NOT_ASKED: ReachWindows = Object.freeze({ blocks: [], head: Object.freeze({ days: 0, dailySum: 0, dailyCount: 0 }), largest: Object.freeze({}) })

/** The windows of the kinds of people that are asked for, with nothing in them yet. */
export function noWindows(period: Period, families: readonly UniqueFamily[]): Record<UniqueFamily, ReachWindows> {
  const of = (family: UniqueFamily) => (families.includes(family) ? emptyWindows(period) : NOT_ASKED)
  return { reach: of('reach'), visitors: of('visitors') }
}

/** Windows with nothing in them yet, in the shape that a period asks for. */
export function emptyWindows(period: Period): ReachWindows {
  const { blocks: length, headDays } = blocksOf(period)
  const blocks: ReachBlock[] = []
  for (let index = 0; index < length; index++) blocks.push({ dailySum: 0, dailyCount: 0 })
  return {
    blocks,
    head: { days: headDays, dailySum: 0, dailyCount: 0 },
    largest: {},
  }
}
