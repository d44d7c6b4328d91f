import { besideUsual, type RespondedPost } from './besideUsual'
import { beyondChance, type BeyondChance } from './chance'
import { slotLifts, type SlotLifts } from './slotLifts'
import { localClock, slotOf } from './slots'

/** How posts did by the hour of the week in which they were published. */
export interface LiftsOfPosts {
  lifts: SlotLifts
  /** Absent where there are too few posts to tell. */
  chance?: BeyondChance
  /** Of each post, in their order: its slot, and how far it was from usual, in logarithms. */
  slots: Int16Array
  residuals: Float64Array
}

/**
 * How posts did by slot, from their counts on: what is usual of each is taken away, and the rest is thought of slot by
 * slot.
 *
 * @param zone  an IANA time zone, in whose week slots are
 * @example     liftsOfPosts(posts, 'Europe/London').lifts.slots[92]?.lift // { value: 0.31, low: 0.14, high: 0.5 }
 */
export function liftsOfPosts(posts: readonly RespondedPost[], zone: string): LiftsOfPosts {
  const clock = localClock(zone)
  const slots = Int16Array.from(posts, ({ at }) => slotOf(clock(at)))
  const residuals = besideUsual(posts)
  const chance = beyondChance(slots, residuals)
  return { lifts: slotLifts(slots, residuals), ...(chance && { chance }), slots, residuals }
}
