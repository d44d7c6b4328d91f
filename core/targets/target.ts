import { addDays, daysBetween, type Day } from '../days/day'
import type { CheckedForecast } from './checkedForecast'
import { Unreadable } from '../unreadable'

/** How a target stands. */
export type Standing = 'reached' | 'on course' | 'open' | 'in danger' | 'missed' | 'unknown'

/** What is known of a target on a day. */
export interface TargetInput {
  kind: 'flow' | 'stock' | 'ratio' | 'unique'
  wanted: number
  /** Whether less is better, so that the wanted value is one not to exceed. */
  isCeiling: boolean
  from: Day
  by: Day
  /** The last day that has ended. */
  last: Day
  /** Flow: the sum since the first day. Level: its newest count. Rate and people: since the first day. */
  now?: number
  /** Where it is only known between bounds, as people mostly are. */
  low?: number
  high?: number
  /** Flow: on what part of the days so far there is data, from 0 to 1. */
  covered?: number
  /** Level: its count on the day before the target began. */
  start?: number
  /** Where it is heading at the end. */
  heading?: CheckedForecast
  /** Rate: the rate that the remaining days would need; worked out by the caller, who knows its parts. */
  neededRate?: number
}

/** A target's progress, the pace that it needs, and whether it is likely to be met. */
export interface TargetProgress {
  standing: Standing
  /** The part of the way that is done, from 0; absent for a rate, which has no way. */
  done?: number
  /** The part of the time that is over. */
  elapsed: number
  daysLeft: number
  /**
   * A day, so far and needed from now on; of a rate, the rate itself; of people there is none, since they are not added
   * day by day.
   */
  pace?: number
  paceNeeded?: number
}

/**
 * How a target stands, by one rule from the day on which it is set to its last: what is certain decides, and until then
 * the range of where it is heading. It is in danger when the whole range misses it, on course when the whole range
 * meets it; a range that did not hold what it says in its own hold-out gives no verdict. What is only known between
 * bounds is reached when the lower one is there, and missed when the upper one is not. A target that has not begun has
 * nothing yet, and is judged by where it is heading like every other.
 *
 * @throws Unreadable when the target ends before it begins
 * @example targetProgress({ kind: 'flow', wanted: 300, isCeiling: false, from: '2026-10-01', by: '2026-10-30', last:
 *                           '2026-10-10', now: 80 }).paceNeeded // 11
 */
export function targetProgress(target: TargetInput): TargetProgress {
  const { kind, wanted, from, by, last, now, start } = target
  const length = daysBetween(from, by) + 1
  if (length < 1) throw new Unreadable(`the target ends (${by}) before it begins (${from})`)
  const over = Math.min(length, Math.max(0, daysBetween(from, last) + 1))
  const daysLeft = length - over
  const base = { standing: standingOf(target, daysLeft), elapsed: over / length, daysLeft }
  if (kind === 'unique')
    return { ...base, ...(target.low !== undefined && wanted > 0 && { done: target.low / wanted }) }
  if (now === undefined) return base
  if (kind === 'ratio')
    return {
      ...base,
      pace: now,
      ...(daysLeft > 0 && target.neededRate !== undefined && { paceNeeded: target.neededRate }),
    }
  const begun = kind === 'stock' ? start : 0
  if (begun === undefined) return base
  const way = wanted - begun
  const days = over * (target.covered ?? 1)
  return {
    ...base,
    ...(way !== 0 && { done: (now - begun) / way }),
    ...(days > 0 && { pace: (now - begun) / days }),
    ...(daysLeft > 0 && { paceNeeded: (wanted - now) / daysLeft }),
  }
}

function standingOf(
  { kind, wanted, isCeiling, now, low = now, high = now, heading }: TargetInput,
  daysLeft: number,
): Standing {
  const meets = (value: number) => (isCeiling ? value <= wanted : value >= wanted)
  if (daysLeft === 0) {
    if (low === undefined) return 'unknown'
    const [worst, best] = isCeiling ? [high ?? Infinity, low] : [low, high ?? Infinity]
    return meets(worst) ? 'reached' : meets(best) ? 'unknown' : 'missed'
  }
  // a sum, and the people since the first day, stay once they have passed the mark; a level or a rate can fall back
  const stays = kind === 'flow' || kind === 'unique'
  if (stays && !isCeiling && low !== undefined && low >= wanted) return 'reached'
  if (stays && isCeiling && low !== undefined && low > wanted) return 'missed'
  if (!heading) return 'unknown'
  if (heading.checked.hasFailed) return 'open'
  const [near, far] = isCeiling ? [heading.high, heading.low] : [heading.low, heading.high]
  return meets(near) ? 'on course' : meets(far) ? 'open' : 'in danger'
}

/** How many days there are from the day after one up to another. */
export const daysAhead = (last: Day, by: Day): number => Math.max(0, daysBetween(addDays(last, 1), by) + 1)
