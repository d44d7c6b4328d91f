import type { Figure } from '../figures/figure'
import { metricById } from '../metrics/catalogue'

/** Below this many observations in either period a change is marked as resting on a small base. */
export const SMALL_BASE = 30

/** How a figure differs from the one it is compared with. */
export interface Change {
  from?: number
  to?: number
  /** `to` − `from` in the metric's unit; for a share in parts of one (0.007 is 0.7 points). */
  difference?: number
  /** The difference as a part of `from`; absent when `from` is not above zero. */
  relative?: number
  /** For bounded figures: between which relative changes it lies. */
  low?: number
  high?: number
  direction: 'up' | 'down' | 'same' | 'unknown'
  judgement: 'better' | 'worse' | 'neutral'
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
 * The change from one figure to another, of the same metric and over periods of equal length.
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
  if (to.value !== undefined && from.value !== undefined) {
    const difference = to.value - from.value
    const direction = difference > 0 ? 'up' : difference < 0 ? 'down' : 'same'
    return {
      from: from.value, to: to.value, difference, direction, small,
      ...(from.value > 0 && { relative: difference / from.value }),
      judgement: judge(direction, polarity),
      approximate: to.exactness !== 'exact' || from.exactness !== 'exact',
    }
  }
  return betweenRanges(to, from, polarity, small)
}

function judge(direction: Change['direction'], polarity: number): Change['judgement'] {
  if (polarity === 0 || direction === 'same' || direction === 'unknown') return 'neutral'
  return (direction === 'up') === polarity > 0 ? 'better' : 'worse'
}

/** Two figures of which at least one is only bounded: the direction is known when the ranges do not meet. */
function betweenRanges(to: Figure, from: Figure, polarity: number, small: boolean): Change {
  const range = (figure: Figure) => ({ low: figure.low ?? figure.value, high: figure.high ?? figure.value })
  const now = range(to)
  const then = range(from)
  const none: Change = { direction: 'unknown', judgement: 'neutral', approximate: true, small }
  if (now.low === undefined || then.low === undefined) {
    return { ...none, reason: now.low === undefined ? 'There is no figure for the period.' : 'There is no figure for the comparison.' }
  }
  const direction = then.high !== undefined && now.low > then.high ? 'up' : now.high !== undefined && now.high < then.low ? 'down' : 'unknown'
  return {
    ...none, direction, judgement: judge(direction, polarity),
    ...(then.high !== undefined && then.high > 0 && { low: now.low / then.high - 1 }),
    ...(now.high !== undefined && then.low > 0 && { high: now.high / then.low - 1 }),
  }
}
