import type { Figure } from '../figures/figure'
import { metricById } from '../metrics/catalogue'
import type { Polarity } from '../metrics/metric'
import type { Usual } from './usual'

/** Below this many observations in either period a change is marked as resting on a small base. */
export const SMALL_BASE = 30

/** Where ranges or intervals overlap by so much of the narrower one, there is no clear change. */
export const OVERLAP_UNCLEAR = 0.75

/** How a figure differs from the one it is compared with. */
export interface Change {
  from?: number
  to?: number
  /** `to` − `from` in the metric's unit; for a share in parts of one (0.007 is 0.7 points). */
  difference?: number
  /** The difference as a part of `from`; absent when `from` is not above zero. */
  relative?: number
  /** For bounded figures: between which relative changes it lies, and between which differences. */
  low?: number
  high?: number
  differenceLow?: number
  differenceHigh?: number
  direction: 'up' | 'down' | 'same' | 'unknown'
  judgement: 'better' | 'worse' | 'neutral'
  /** What is not known, or chance alone, may be all of it: the ranges or the 95 % intervals overlap almost wholly. */
  isUnclear?: boolean
  /** How much such changes usually were over the past year, and whether this one is among them. */
  usual?: Usual & { isWithin: boolean }
  /** A daily count by the day, where the two periods are not equally long. */
  perDay?: { from: number; to: number; relative?: number }
  /** On how many profile-days it rests in each period, of how many. */
  days?: { now: number; then: number; ofNow: number; ofThen: number }
  /** Rests on estimates. */
  approximate: boolean
  /** Fewer than 30 observations in either period. */
  small: boolean
  /** What the change rests on where it is not everything: "the 26 of 28 days with data in both periods". */
  basis?: string
  /** Why there is no change to tell. */
  reason?: string
}

/**
 * The change from one figure to another, of the same metric. Better or worse is only said of a change that is clear:
 * where the ranges, or the intervals within which chance may carry a count or a rate, overlap by three quarters of the
 * narrower one, nothing is judged.
 *
 * @param to    the figure of the period
 * @param from  the figure of the comparison
 * @throws      RangeError when the two are not of the same metric: different rates are never compared
 * @example     changeOf(thisMonth, lastMonth).relative // 0.184
 */
export function changeOf(to: Figure, from: Figure): Change {
  if (to.metric !== from.metric) throw new RangeError(`${to.metric} cannot be compared with ${from.metric}`)
  const { polarity } = metricById(to.metric)
  const small = Math.min(to.observations, from.observations) < SMALL_BASE
  const isUnclear = overlapOf(spanOf(to), spanOf(from)) >= OVERLAP_UNCLEAR
  if (to.value === undefined || from.value === undefined) return betweenRanges(to, from, { polarity, small, isUnclear })
  const difference = to.value - from.value
  const direction = difference > 0 ? 'up' : difference < 0 ? 'down' : 'same'
  return {
    from: from.value,
    to: to.value,
    difference,
    direction,
    small,
    ...(from.value > 0 && { relative: difference / from.value }),
    ...(isUnclear && direction !== 'same' && { isUnclear }),
    judgement: isUnclear ? 'neutral' : judge(direction, polarity),
    approximate: to.exactness !== 'exact' || from.exactness !== 'exact',
  }
}

/** Better or worse by a metric's polarity. */
export function judge(direction: Change['direction'], polarity: Polarity): Change['judgement'] {
  if (polarity === 0 || direction === 'same' || direction === 'unknown') return 'neutral'
  return (direction === 'up') === polarity > 0 ? 'better' : 'worse'
}

interface Span {
  low: number
  high: number
}

/** Everything that a figure may be: its range and, where it has one, the interval of chance around it. */
function spanOf({ value, low, high, interval }: Figure): Span | undefined {
  if (value === undefined && low === undefined && interval === undefined) return undefined
  const least = Math.min(value ?? Infinity, low ?? Infinity, interval?.low ?? Infinity)
  if (low !== undefined && high === undefined) return { low: least, high: Infinity }
  return { low: least, high: Math.max(value ?? -Infinity, high ?? -Infinity, interval?.high ?? -Infinity) }
}

/**
 * How much of the narrower of two spans lies in the other, from 0 to 1; a single point is wholly in what contains it.
 */
function overlapOf(a: Span | undefined, b: Span | undefined): number {
  if (!a || !b) return 0
  const shared = Math.min(a.high, b.high) - Math.max(a.low, b.low)
  const narrower = Math.min(a.high - a.low, b.high - b.low)
  if (shared < 0) return 0
  return narrower > 0 && Number.isFinite(narrower) ? shared / narrower : 1
}

/** Two figures of which at least one is only bounded: the direction is known when the ranges do not meet. */
function betweenRanges(
  to: Figure,
  from: Figure,
  { polarity, small, isUnclear }: { polarity: Polarity; small: boolean; isUnclear: boolean },
): Change {
  const range = (figure: Figure) => ({
    low: figure.low ?? figure.value,
    high: figure.low === undefined ? figure.value : figure.high,
  })
  const now = range(to)
  const then = range(from)
  const none: Change = { direction: 'unknown', judgement: 'neutral', approximate: true, small }
  if (now.low === undefined || then.low === undefined) {
    return {
      ...none,
      reason: now.low === undefined ? 'There is no figure for the period.' : 'There is no figure for the comparison.',
    }
  }
  const direction =
    then.high !== undefined && now.low > then.high
      ? 'up'
      : now.high !== undefined && now.high < then.low
        ? 'down'
        : 'unknown'
  return {
    ...none,
    direction,
    judgement: judge(direction, polarity),
    ...(isUnclear && { isUnclear }),
    ...(then.high !== undefined && { differenceLow: now.low - then.high }),
    ...(now.high !== undefined && { differenceHigh: now.high - then.low }),
    ...(then.high !== undefined && then.high > 0 && { low: now.low / then.high - 1 }),
    ...(now.high !== undefined && then.low > 0 && { high: now.high / then.low - 1 }),
  }
}

/**
 * A change of a daily count between periods that are not equally long, read by the day as well: it is only called
 * better or worse where the whole and the day agree.
 *
 * @example byTheDay(change, { now: 31, then: 30 }).perDay
 */
export function byTheDay(change: Change, days: { now: number; then: number }, metric: string): Change {
  if (change.from === undefined || change.to === undefined) return change
  const perDay = { from: change.from / days.then, to: change.to / days.now }
  const direction = perDay.to > perDay.from ? 'up' : perDay.to < perDay.from ? 'down' : 'same'
  return {
    ...change,
    perDay: { ...perDay, ...(perDay.from > 0 && { relative: perDay.to / perDay.from - 1 }) },
    judgement:
      direction === change.direction && !change.isUnclear ? judge(direction, metricById(metric).polarity) : 'neutral',
  }
}

/**
 * A change set against what is usual: one that is as large as such changes usually are is neither better nor worse.
 *
 * @example againstUsual(change, usual).judgement // 'neutral', within it
 */
export function againstUsual(change: Change, usual: Usual | undefined): Change {
  const size = sizeOf(change, usual?.scale)
  if (!usual || size === undefined) return change
  const isWithin = size >= usual.low && size <= usual.high
  return { ...change, usual: { ...usual, isWithin }, ...(isWithin && { judgement: 'neutral' as const }) }
}

/** A change on the scale on which usual ones are known; by the day where the periods differ. */
function sizeOf({ difference, relative, perDay }: Change, scale: Usual['scale'] | undefined): number | undefined {
  if (scale === 'difference') return perDay ? perDay.to - perDay.from : difference
  return perDay ? perDay.relative : relative
}
