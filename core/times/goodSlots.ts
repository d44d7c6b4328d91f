import { normalQuantile } from '../statistics/normalQuantile'
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
  const judged = lifts
    .filter(({ lift }) => lift)
    .sort((a, b) => b.mean / b.spread - a.mean / a.spread || a.slot - b.slot)
  // the largest number of them of which each is as sure as that number asks for
  let found = 0
  judged.forEach(({ mean, spread }, index) => {
    if (mean / spread >= normalQuantile(1 - (CHANCE_LEVEL * (index + 1)) / judged.length)) found = index + 1
  })
  return judged
    .slice(0, found)
    .filter(({ lift }) => lift!.low > 0)
    .sort((a, b) => b.lift!.low - a.lift!.low || a.slot - b.slot)
}
