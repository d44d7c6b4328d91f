import { seeded } from './seeded'
import { SLOTS } from './slots'

/** Whether more is seen than chance would show. */
export interface BeyondChance {
  /** How often shuffled times set weekdays, hours and slots as far apart as the real ones do: from 0 to 1. */
  days: number
  hours: number
  slots: number
  /** How many shuffles that rests on. */
  shuffles: number
  /** Whether any of the three is too rare to be chance, all three allowed for. */
  isBeyond: boolean
}

/** How many shuffles are made, and how rare something has to be: one world in ten without any effect passes. */
const SHUFFLES = 199
export const CHANCE_LEVEL = 0.1

/**
 * Whether times of publishing matter more than chance would have it: the times of the posts are shuffled among them,
 * and weekdays, hours of the day and slots (each hour with its neighbours) are set against each other by how far their
 * means lie from usual, of slots the furthest (a permutation test: Good 2005; the level shared out among the three:
 * Bonferroni). The shuffles are the same each time.
 *
 * @param slots      the slot of each post
 * @param residuals  how far each was from usual, in logarithms
 * @returns          undefined for fewer than twenty posts: nothing could be told
 * @example          beyondChance(slots, residuals)?.isBeyond // true
 */
export function beyondChance(slots: ArrayLike<number>, residuals: ArrayLike<number>): BeyondChance | undefined {
  const n = slots.length
  if (n < 20) return undefined
  const at = Uint8Array.from({ length: n }, (_, index) => slots[index]!)
  const values = Float64Array.from({ length: n }, (_, index) => residuals[index]!)
  const counts = new Float64Array(SLOTS)
  const sums = new Float64Array(SLOTS)
  for (let index = 0; index < n; index++) {
    counts[at[index]!]! += 1
    sums[at[index]!]! += values[index]!
  }
  const real = apartness(sums, counts)
  const random = seeded(n)
  const beaten = [1, 1, 1]
  for (let shuffle = 0; shuffle < SHUFFLES; shuffle++) {
    // Fisher and Yates, from the end: what has its place is added up at once
    sums.fill(0)
    for (let last = n - 1; last >= 0; last--) {
      const other = Math.floor(random() * (last + 1))
      const value = values[other]!
      values[other] = values[last]!
      values[last] = value
      sums[at[last]!]! += value
    }
    apartness(sums, counts).forEach((apart, index) => {
      if (apart >= real[index]!) beaten[index]!++
    })
  }
  const [days, hours, each] = beaten.map((count) => count / (SHUFFLES + 1)) as [number, number, number]
  return { days, hours, slots: each, shuffles: SHUFFLES, isBeyond: Math.min(days, hours, each) * 3 <= CHANCE_LEVEL }
}

/** How far weekdays, hours and the furthest slot lie from usual: the squares of their means, by their posts. */
function apartness(sums: Float64Array, counts: Float64Array): [number, number, number] {
  const [daySums, dayCounts] = [new Float64Array(7), new Float64Array(7)]
  const [hourSums, hourCounts] = [new Float64Array(24), new Float64Array(24)]
  let apart = 0
  for (let slot = 0; slot < SLOTS; slot++) {
    const [before, after] = [(slot + SLOTS - 1) % SLOTS, (slot + 1) % SLOTS]
    daySums[Math.floor(slot / 24)]! += sums[slot]!
    dayCounts[Math.floor(slot / 24)]! += counts[slot]!
    for (const near of [before, slot, after]) {
      hourSums[slot % 24]! += sums[near]!
      hourCounts[slot % 24]! += counts[near]!
    }
    const around = counts[before]! + counts[slot]! + counts[after]!
    if (around > 0) apart = Math.max(apart, (sums[before]! + sums[slot]! + sums[after]!) ** 2 / around)
  }
  const squares = (all: Float64Array, of: Float64Array) =>
    all.reduce((sum, value, index) => sum + (of[index]! > 0 ? value ** 2 / of[index]! : 0), 0)
  return [squares(daySums, dayCounts), squares(hourSums, hourCounts), apart]
}
