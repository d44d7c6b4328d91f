import { goodSlots } from './goodSlots'
import { nextOfSlot, slotsApart, SLOTS } from './slots'
import type { SlotLift } from './slotLifts'

/** A slot in which to post, with what that rests on. */
export interface Suggestion {
  slot: number
  /** What it was ranked by: how posts did there, or that the audience is there. */
  by: 'posts' | 'audience'
  /** What is planned near its next time, by its place among what is taken. */
  near?: number[]
  /** Whether every profile posts near its next time already: it is shown, and not counted among those wanted. */
  isTaken?: true
}

/** When a profile posts already, in milliseconds since 1970 UTC. */
export interface TakenTime {
  profile: number
  at: number
}

const HOUR_MS = 3_600_000

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
  /** What is planned already, and for whom the slots are: a time is taken for the profile that posts then, for no other. */
  taken?: readonly TakenTime[]
  profiles?: readonly number[]
  /** From when on, and in which zone. */
  from: number
  zone: string
}

/**
 * Slots in which to post: those first whose posts did better than usual beyond chance, by the near end of their lift's
 * interval; then those in which most of the audience is there, but none of which posts have shown that it does worse.
 * A slot near whose next time all of the profiles post already stands among them as taken.
 *
 * @returns as many free ones as are wanted, or fewer where nothing speaks for more
 * @example suggestSlots({ lifts, isBeyond: true, there, wanted: 5, apartHours: 12, from, zone })[0] // { slot: 92, by:
 *                               'posts' }
 */
export function suggestSlots({
  lifts,
  isBeyond,
  there = [],
  wanted,
  apartHours,
  taken = [],
  profiles = [],
  from,
  zone,
}: SuggestFrom): Suggestion[] {
  const better = goodSlots(lifts, isBeyond).map(({ slot }): Suggestion => ({ slot, by: 'posts' }))
  const isWorse = (slot: number) => isBeyond && (lifts[slot]?.lift?.high ?? 0) < 0
  const fuller = Array.from({ length: SLOTS }, (_, slot) => slot)
    .filter((slot) => there[slot] !== undefined && there[slot]! > 0 && !isWorse(slot))
    .sort((a, b) => there[b]! - there[a]! || a - b)
    .map((slot): Suggestion => ({ slot, by: 'audience' }))
  const chosen: Suggestion[] = []
  for (const candidate of [...better, ...fuller]) {
    if (chosen.filter(({ isTaken }) => !isTaken).length >= wanted) break
    if (chosen.some(({ slot }) => slotsApart(candidate.slot, slot) < apartHours)) continue
    const near = takenNear(candidate.slot)
    const posting = new Set(near.map((index) => taken[index]!.profile))
    const isTaken = profiles.length > 0 && profiles.every((profile) => posting.has(profile))
    chosen.push({ ...candidate, ...(near.length > 0 && { near }), ...(isTaken && { isTaken }) })
  }
  return chosen

  function takenNear(slot: number): number[] {
    const at = taken.length > 0 ? nextOfSlot(slot, from, zone) : undefined
    if (at === undefined) return []
    return taken.flatMap((other, index) =>
      profiles.includes(other.profile) && Math.abs(other.at - at) < apartHours * HOUR_MS ? [index] : [],
    )
  }
}
