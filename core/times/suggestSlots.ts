import { goodSlots } from './goodSlots'
import { slotsApart, SLOTS } from './slots'
import type { SlotLift } from './slotLifts'

/** A slot in which to post, with what that rests on. */
export interface Suggestion {
  slot: number
  /** What it was ranked by: how posts did there, or that the audience is there. */
  by: 'posts' | 'audience'
}

/** What suggestions are made from. */
export interface SuggestFrom {
  lifts: readonly SlotLift[]
  /** Whether more is seen in the posts than chance would show: else no slot stands out. */
  isBeyond: boolean
  /** The audience there by slot, of all followers; absent where it is not known. */
  there?: readonly (number | undefined)[]
  /** How many are wanted, and how many hours they keep from each other and from what is taken. */
  wanted: number
  apartHours: number
  /** Slots in which something is planned already. */
  taken?: readonly number[]
}

/**
 * Slots in which to post: those first whose posts did better than usual beyond chance, by the near end of their lift's
 * interval; then those in which most of the audience is there, but none of which posts have shown that it does worse.
 *
 * @returns as many as are wanted, or fewer where nothing speaks for more
 * @example suggestSlots({ lifts, isBeyond: true, there, wanted: 5, apartHours: 12 })[0] // { slot: 92, by: 'posts' }
 */
export function suggestSlots({
  lifts,
  isBeyond,
  there = [],
  wanted,
  apartHours,
  taken = [],
}: SuggestFrom): Suggestion[] {
  const better = goodSlots(lifts, isBeyond).map(({ slot }): Suggestion => ({ slot, by: 'posts' }))
  const isWorse = (slot: number) => isBeyond && (lifts[slot]?.lift?.high ?? 0) < 0
  const fuller = Array.from({ length: SLOTS }, (_, slot) => slot)
    .filter((slot) => there[slot] !== undefined && there[slot]! > 0 && !isWorse(slot))
    .sort((a, b) => there[b]! - there[a]! || a - b)
    .map((slot): Suggestion => ({ slot, by: 'audience' }))
  const chosen: Suggestion[] = []
  for (const candidate of [...better, ...fuller]) {
    if (chosen.length >= wanted) break
    const isFree = [...taken, ...chosen.map(({ slot }) => slot)].every(
      (other) => slotsApart(candidate.slot, other) >= apartHours,
    )
    if (isFree) chosen.push(candidate)
  }
  return chosen
}
