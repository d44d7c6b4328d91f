import { discoveries } from '../statistics/discoveries'
import { CHANCE_LEVEL } from './chance'
import type { SlotLift } from './slotLifts'

/**
 * The slots in which posts did better than usual, the surest first: so chosen that of those found no more than one in
 * ten is there by chance, however many are looked at (the false discovery rate: Benjamini & Hochberg 1995, JRSS B
 * 57:289–300). None where nothing is beyond chance at all, and none whose interval reaches down to usual.
 *
 * @param isBeyond  as `beyondChance` says
 * @example         goodSlots(lifts, true).map(({ slot }) => slot) // [92, 130]
 */
export function goodSlots(lifts: readonly SlotLift[], isBeyond: boolean): SlotLift[] {
  if (!isBeyond) return []
  const judged = lifts.filter(({ lift }) => lift)
  const isFound = discoveries(
    judged.map(({ mean, spread }) => mean / spread),
    CHANCE_LEVEL,
  )
  return judged
    .filter((_, index) => isFound[index])
    .filter(({ lift }) => lift!.low > 0)
    .sort((a, b) => b.lift!.low - a.lift!.low || a.slot - b.slot)
}
