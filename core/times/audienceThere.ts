import { normalQuantile } from '../statistics/normalQuantile'
import { localClock, slotOf, SLOTS } from './slots'

/** People who were there in an hour that begins at an instant. */
export interface HourThere {
  /** Milliseconds since 1970 UTC. */
  at: number
  people: number
  /** How many follow, of whom these are some. */
  followers: number
}

/** The audience in a slot of the week. */
export interface SlotThere {
  slot: number
  /** How many were there, on the mean of its days. */
  people: number
  /** Of all followers, from 0 to 1. */
  ofAll: number
  /** Of those in the fullest slot, from 0 to 1. */
  ofFullest: number
  /** On how many days that was counted. */
  days: number
  /** Slots of one group cannot be told apart; the fullest have 1. Absent where days do not repeat. */
  group?: number
}

/** Slots are told apart where chance would part them only once in twenty times. */
const APART = normalQuantile(0.975)
/** Zones lie quarters of hours apart: an hour of one is four quarters of another. */
const QUARTERS = [0, 1, 2, 3]
const QUARTER_MS = 900_000

/**
 * When the audience is there: the mean of each hour of the week, as people, as a share of all followers and as a share
 * of the fullest hour. Hours whose means lie no further apart than days scatter form one group, from the fullest on.
 *
 * @param hours  of one profile, in any order; an hour that a network left out is absent, not zero
 * @param zone   in whose week they are told
 * @returns      168 slots, undefined where nothing is known of one
 * @example      audienceThere(hours, 'Europe/London')[92]?.ofFullest // 1
 */
export function audienceThere(hours: readonly HourThere[], zone: string): (SlotThere | undefined)[] {
  const clock = localClock(zone)
  const sums = Array.from({ length: SLOTS }, () => ({ people: 0, followers: 0, quarters: 0, logs: 0, squares: 0 }))
  for (const { at, people, followers } of hours) {
    if (followers <= 0) continue
    const log = Math.log(Math.max(people, 0.5) / followers)
    for (const quarter of QUARTERS) {
      const sum = sums[slotOf(clock(at + quarter * QUARTER_MS))]!
      sum.people += people
      sum.followers += followers
      sum.quarters += 1
      sum.logs += log
      sum.squares += log ** 2
    }
  }
  const known = sums.flatMap(({ people, followers, quarters }, slot) =>
    quarters === 0
      ? []
      : [{ slot, people: people / quarters, ofAll: people / followers, ofFullest: 0, days: quarters / 4 }],
  )
  const fullest = Math.max(...known.map(({ ofAll }) => ofAll))
  for (const each of known) each.ofFullest = fullest > 0 ? each.ofAll / fullest : 0
  const groups = groupsOf(known, scatterOf(sums))
  const bySlot = new Map(known.map((each) => [each.slot, each]))
  return Array.from({ length: SLOTS }, (_, slot) => {
    const each = bySlot.get(slot)
    const group = groups?.get(slot)
    return each && { ...each, ...(group !== undefined && { group }) }
  })
}

/** How far the days of one slot scatter, in logarithms; undefined where none repeats. */
function scatterOf(sums: readonly { quarters: number; logs: number; squares: number }[]): number | undefined {
  let [within, free] = [0, 0]
  for (const { quarters, logs, squares } of sums) {
    const days = quarters / 4
    if (days <= 1) continue
    within += Math.max(0, squares - logs ** 2 / quarters) / 4
    free += days - 1
  }
  return free >= 5 ? Math.sqrt(within / free) : undefined
}

/** Which group each slot belongs to: the fullest begins the first, and the first that lies apart from it the next. */
function groupsOf(
  known: readonly { slot: number; ofAll: number; days: number }[],
  scatter: number | undefined,
): Map<number, number> | undefined {
  if (scatter === undefined) return undefined
  const groups = new Map<number, number>()
  let [group, first] = [0, undefined as (typeof known)[number] | undefined]
  for (const each of [...known].sort((a, b) => b.ofAll - a.ofAll || a.slot - b.slot)) {
    const isApart =
      !first ||
      Math.log(first.ofAll / Math.max(each.ofAll, 1e-9)) > APART * scatter * Math.sqrt(1 / first.days + 1 / each.days)
    if (isApart) [group, first] = [group + 1, each]
    groups.set(each.slot, group)
  }
  return groups
}

/**
 * The hours of several profiles as one audience: people and followers are added, so that whoever follows two of them
 * counts twice; an hour counts where all of them know it.
 *
 * @example hoursTogether([tintype, zoetrope]).length // the hours that both have
 */
export function hoursTogether(members: readonly (readonly HourThere[])[]): HourThere[] {
  if (members.length === 1) return [...members[0]!]
  const together = new Map<number, HourThere & { members: number }>()
  for (const member of members)
    for (const { at, people, followers } of member) {
      const sum = together.get(at) ?? { at, people: 0, followers: 0, members: 0 }
      sum.people += people
      sum.followers += followers
      sum.members += 1
      together.set(at, sum)
    }
  return [...together.values()]
    .filter((each) => each.members === members.length)
    .map(({ at, people, followers }) => ({ at, people, followers }))
}
