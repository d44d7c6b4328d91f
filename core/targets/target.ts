import { addDays, daysBetween, type Day } from '../days/day'
import type { Forecast } from './forecast'

/** How a target stands. */
export type Standing = 'reached' | 'on course' | 'open' | 'in danger' | 'missed' | 'unknown'

/** What is known of a target on a day. */
export interface TargetInput {
  kind: 'flow' | 'stock' | 'ratio'
  wanted: number
  /** Whether less is better, so that the wanted value is one not to exceed. */
  isCeiling: boolean
  from: Day
  by: Day
  /** The last day that has ended. */
  last: Day
  /** Flow: the sum since the first day. Level: its newest count. Rate: the rate since the first day. */
  now?: number
  /** Level: its count when the target began. */
  start?: number
  /** Where it is heading at the end. */
  heading?: Forecast
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
  /** A day, so far and needed from now on; of a rate, the rate itself. */
  pace?: number
  paceNeeded?: number
}

/**
 * How a target stands. It is in danger when the whole range of where it is heading misses it, on course when the whole range meets it.
 *
 * @throws RangeError when the target ends before it begins
 * @example targetProgress({ kind: 'flow', wanted: 300, isCeiling: false, from: '2026-10-01', by: '2026-10-30', last: '2026-10-10', now: 80 }).paceNeeded // 11
 */
export function targetProgress(target: TargetInput): TargetProgress {
  const { kind, wanted, from, by, last, now, start } = target
  const length = daysBetween(from, by) + 1
  if (length < 1) throw new RangeError(`the target ends (${by}) before it begins (${from})`)
  const over = Math.min(length, Math.max(0, daysBetween(from, last) + 1))
  const daysLeft = length - over
  const base = { standing: standingOf(target, daysLeft), elapsed: over / length, daysLeft }
  if (now === undefined) return base
  if (kind === 'ratio') return { ...base, pace: now, ...(daysLeft > 0 && target.neededRate !== undefined && { paceNeeded: target.neededRate }) }
  const begun = kind === 'stock' ? start : 0
  if (begun === undefined) return base
  const way = wanted - begun
  return {
    ...base,
    ...(way !== 0 && { done: (now - begun) / way }),
    ...(over > 0 && { pace: (now - begun) / over }),
    ...(daysLeft > 0 && { paceNeeded: (wanted - now) / daysLeft }),
  }
}

function standingOf({ kind, wanted, isCeiling, now, heading }: TargetInput, daysLeft: number): Standing {
  if (now === undefined) return 'unknown'
  const meets = (value: number) => (isCeiling ? value <= wanted : value >= wanted)
  if (daysLeft === 0) return meets(now) ? 'reached' : 'missed'
  // a sum that has passed its mark stays there; a level or a rate can fall back
  if (kind === 'flow' && !isCeiling && now >= wanted) return 'reached'
  if (kind === 'flow' && isCeiling && now > wanted) return 'missed'
  if (!heading) return 'unknown'
  const [near, far] = isCeiling ? [heading.high, heading.low] : [heading.low, heading.high]
  return meets(near) ? 'on course' : meets(far) ? 'open' : 'in danger'
}

/** How many days there are from the day after one up to another. */
export const daysAhead = (last: Day, by: Day): number => Math.max(0, daysBetween(addDays(last, 1), by) + 1)
