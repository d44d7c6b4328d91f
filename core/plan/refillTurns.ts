import { daysBetween, type Day } from '../days/day'
import { freeSlots, type WeeklySlot } from './freeSlots'
import { zonedInstant, zonedTime } from './zonedInstant'

/** A post that is used again and again, and the instants at which it is or was used, milliseconds since 1970 UTC. */
export interface RefillPost {
  id: number
  used: readonly number[]
}

/** What a slot is given, or that no post has rested long enough for it. */
export interface RefillTurn {
  /** On the clocks of the zone, such as “2026-11-30T18:00”. */
  at: string
  /** The post; undefined where each was used too lately, or will be too soon. */
  post: number | undefined
}

export interface RefillAsked {
  zone: string
  /** Milliseconds since 1970 UTC. */
  now: number
  /** The last day that is filled. */
  until: Day
  /** When anything else is planned, milliseconds since 1970 UTC. */
  taken: readonly number[]
  /** Slots that were filled before, also where their post has been moved or removed since. */
  filled: readonly number[]
  /** So many days lie between two uses of one post at the least. */
  daysApart: number
}

/** Between a refilled post and another lies so much at the least. */
const HOURS_APART = 1
const MOST_TURNS = 700

/**
 * Gives each free slot the post that was used least recently, of those that have rested long enough on both sides of
 * it; posts that were never used come first, in their order. A slot is filled once: what a person moves or removes
 * does not come back.
 *
 * @param posts  in the order of their list
 * @returns      the slots in their order; those that stay empty say so
 * @example refillTurns([{ id: 7, used: [] }], [{ weekday: 1, minutes: 540 }], { zone: 'UTC', now: 0,
 *   until: '1970-01-12', taken: [], filled: [], daysApart: 30 })
 * // [{ at: '1970-01-05T09:00', post: 7 }, { at: '1970-01-12T09:00', post: undefined }]
 */
export function refillTurns(
  posts: readonly RefillPost[],
  slots: readonly WeeklySlot[],
  { zone, now, until, taken, filled, daysApart }: RefillAsked,
): RefillTurn[] {
  const uses = new Map(posts.map(({ id, used }) => [id, [...used]]))
  const done = new Set(filled)
  const dayOf = (instant: number) => zonedTime(instant, zone).slice(0, 10)
  const asked = { zone, now, taken, apart: HOURS_APART, most: MOST_TURNS }
  return freeSlots(slots, asked)
    .filter((at) => at.slice(0, 10) <= until)
    .flatMap((at) => {
      const instant = zonedInstant(at, zone)
      if (done.has(instant)) return []
      const day = at.slice(0, 10)
      const rested = posts.filter(({ id }) =>
        uses.get(id)!.every((used) => Math.abs(daysBetween(dayOf(used), day)) >= daysApart),
      )
      const [post] = [...rested].sort((a, b) => lastOf(uses.get(a.id)!) - lastOf(uses.get(b.id)!))
      if (post) uses.get(post.id)!.push(instant)
      return [{ at, post: post?.id }]
    })
}

/** Never is before everything; sorting is stable, so that those keep their order. */
const lastOf = (used: readonly number[]): number => used.reduce((last, each) => Math.max(last, each), -8.64e15)
