import { halfWidth, type SlotLifts } from './slotLifts'
import { nextOfSlot, SLOTS } from './slots'

/** A post that would be made to find out. */
export interface PlannedTry {
  slot: number
  /** When, in milliseconds since 1970 UTC: the beginning of the slot. */
  at: number
  posts: number
  /** How far the interval of the slot reaches now, and after this try and those before it, either way. */
  now: number
  after: number
}

/** What tries are planned from. */
export interface TryFrom {
  lifts: SlotLifts
  /** The audience there by slot, of the fullest; where it is not known, hours in which people are awake count alike. */
  there?: readonly (number | undefined)[]
  /** How many are wanted. */
  wanted: number
  /** How far they keep from each other and from what is taken, in hours. */
  apartHours: number
  /** When something is planned or tried already, in milliseconds since 1970 UTC. */
  takenAt?: readonly number[]
  /** From when on, and in which zone. */
  from: number
  zone: string
}

/** A slot has enough of the audience from half of the fullest on. */
const ENOUGH = 0.5
const [AWAKE_FROM, AWAKE_TO] = [7, 22]
/** Tries are planned for so many weeks at the most. */
const MOST_WEEKS = 8
const HOUR_MS = 3_600_000
const WEEK_MS = SLOTS * HOUR_MS

/**
 * What to try next: slots in which the audience is and of which least is known, weekdays in turn and hours too, as one
 * hour tells something of the same on other days; none nearer to another post than is wanted. Each further try in a slot
 * counts what those before it will have told.
 *
 * @returns as many as are wanted, in their order; fewer where there is no room within eight weeks
 * @example planTries({ lifts, there, wanted: 6, apartHours: 12, from: Date.now(), zone: 'Europe/London' })
 */
export function planTries({ lifts, there, wanted, apartHours, takenAt = [], from, zone }: TryFrom): PlannedTry[] {
  const worth = (slot: number) => (there ? (there[slot] ?? 0) : slot % 24 >= AWAKE_FROM && slot % 24 < AWAKE_TO ? 1 : 0)
  const candidates = Array.from({ length: SLOTS }, (_, slot) => slot).filter((slot) => worth(slot) >= ENOUGH)
  const tries: PlannedTry[] = []
  const onWeekday = Array.from({ length: 7 }, () => 0)
  const onHour = Array.from({ length: 24 }, () => 0)
  const further = new Map<number, number>()
  while (tries.length < wanted) {
    const widths = candidates.map((slot) => ({
      slot,
      width:
        (halfWidth(lifts.slots[slot]!.spread, lifts.scatter, further.get(slot) ?? 0) * worth(slot)) /
        (1 + onHour[slot % 24]!),
    }))
    widths.sort(
      (a, b) =>
        onWeekday[Math.floor(a.slot / 24)]! - onWeekday[Math.floor(b.slot / 24)]! ||
        b.width - a.width ||
        a.slot - b.slot,
    )
    const found = firstFree(
      widths.map(({ slot }) => slot),
      [...takenAt, ...tries.map(({ at }) => at)],
    )
    if (!found) break
    const { spread, posts } = lifts.slots[found.slot]!
    const before = further.get(found.slot) ?? 0
    tries.push({
      ...found,
      posts: posts + before,
      now: halfWidth(spread, lifts.scatter, before),
      after: halfWidth(spread, lifts.scatter, before + 1),
    })
    further.set(found.slot, before + 1)
    onWeekday[Math.floor(found.slot / 24)]! += 1
    onHour[found.slot % 24]! += 1
  }
  return tries.sort((a, b) => a.at - b.at)

  /** The first of some slots that has a free time in one of the weeks. */
  function firstFree(slots: readonly number[], taken: readonly number[]): { slot: number; at: number } | undefined {
    for (const slot of slots) {
      for (let week = 0; week < MOST_WEEKS; week++) {
        const at = nextOfSlot(slot, from + week * WEEK_MS, zone)
        if (at !== undefined && taken.every((other) => Math.abs(other - at) >= apartHours * HOUR_MS))
          return { slot, at }
      }
    }
    return undefined
  }
}
