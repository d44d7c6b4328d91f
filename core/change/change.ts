import type { Figure } from '../figures/figure'
import { isSigned, metricById } from '../metrics/catalogue'
import type { Polarity } from '../metrics/metric'
import { chanceOf, countsApart, sharesApart } from '../statistics/twoCounts'
import { CLEAR_LEVEL, clearTogether } from './clearTogether'
import { USUAL_SCATTER, type Scatter } from './scatter'
import type { Usual } from './usual'

/** Below this many observations in either period a change is marked as resting on a small base. */
export const SMALL_BASE = 30

/** Where two ranges overlap by so much of the narrower one, not even a direction is worth telling. */
const OVERLAP_UNCLEAR = 0.75

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
  /**
   * What is not known, or chance alone, may be all of it: ranges that meet, or counts that chance sets so far apart in
   * one of twenty cases or more; on a page of many, also what the false discovery rate of all of them leaves out.
   */
  isUnclear?: boolean
  /** How many standard deviations of chance alone the two lie apart, of counts and of rates of counts. */
  score?: number
  /** How often chance alone makes it as large, with the scatter of the count's own past. */
  chance?: number
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
 * The change from one figure to another, of the same metric. Better or worse is only said of a change that is clear, by
 * a test of the two samples: counts by the conditional test, proportions by their score test, both with the scatter of
 * such counts; ranged figures only where their ranges part. That two intervals meet says less (Schenker & Gentleman
 * 2001, The American Statistician 55:182–186).
 *
 * @param to        the figure of the period
 * @param from      the figure of the comparison
 * @param exposure  of counts, over how many days each was counted, where these differ
 * @throws      RangeError when the two are not of the same metric: different rates are never compared
 * @example     changeOf(thisMonth, lastMonth).relative // 0.184
 */
export function changeOf(to: Figure, from: Figure, exposure = { to: 1, from: 1 }): Change {
  if (to.metric !== from.metric) throw new RangeError(`${to.metric} cannot be compared with ${from.metric}`)
  const { polarity } = metricById(to.metric)
  const small = Math.min(to.observations, from.observations) < SMALL_BASE
  const [now, then] = [spanOf(to), spanOf(from)]
  const overlap = overlapOf(now, then)
  if (to.value === undefined || from.value === undefined)
    return betweenRanges(to, from, { polarity, small, isUnclear: overlap >= OVERLAP_UNCLEAR })
  const difference = to.value - from.value
  const direction = difference > 0 ? 'up' : difference < 0 ? 'down' : 'same'
  const isMet = now !== undefined && then !== undefined && now.high >= then.low && then.high >= now.low
  const isRanged = to.low !== undefined || from.low !== undefined
  const score = isRanged ? undefined : scoreOf(to, from, exposure)
  const change: Change = {
    from: from.value,
    to: to.value,
    difference,
    direction,
    small,
    ...(from.value > 0 && { relative: difference / from.value }),
    ...(isRanged && isMet && direction !== 'same' && { isUnclear: true }),
    judgement: isRanged && isMet ? 'neutral' : judge(direction, polarity),
    approximate: to.exactness !== 'exact' || from.exactness !== 'exact',
    ...(score !== undefined && { score }),
  }
  return score === undefined ? change : withScatter(change, to.metric, USUAL_SCATTER)
}

/**
 * A change with the scatter that such counts have: whether it is clear, and what is then said of it.
 *
 * @example withScatter(change, 'impressions', scatterOf(scoresOfThePast)).chance // 0.21
 */
export function withScatter(change: Change, metric: string, { times, freedom }: Scatter): Change {
  if (change.score === undefined) return change
  const chance = chanceOf(change.score / Math.sqrt(times), freedom)
  return clearOrNot({ ...change, chance }, metric, chance < CLEAR_LEVEL)
}

function clearOrNot({ isUnclear: _, ...change }: Change, metric: string, isClear: boolean): Change {
  const isMarked = !isClear && change.direction !== 'same'
  const marked: Change = { ...change, ...(isMarked && { isUnclear: true }) }
  return { ...marked, judgement: judgementOf(marked, metric) }
}

/**
 * The changes of one page, of which some are not clear any more: so that of all that are called clear no more than one
 * in twenty is there by chance.
 *
 * @param figures  in any order; those without a change, or whose change is no matter of chance, stay as they are
 */
export function clearOnPage<Row extends { figure: { metric: string }; change?: Change }>(
  figures: readonly Row[],
): Row[] {
  const clear = clearTogether(figures.map(({ change }) => (change?.direction === 'same' ? undefined : change?.chance)))
  return figures.map((row, index) =>
    clear[index] === false && !row.change!.isUnclear
      ? { ...row, change: clearOrNot(row.change!, row.figure.metric, false) }
      : row,
  )
}

/**
 * The same of figures that stand in rows, by metric, and of those above them.
 *
 * @example clearInRows(rows, headlines).rows[0].figures.impressions.change
 */
export function clearInRows<
  Compared extends { figure: { metric: string }; change?: Change },
  Row extends { figures: Record<string, Compared> } = { figures: Record<string, Compared> },
>(rows: readonly Row[], headlines: readonly Compared[]): { headlines: Compared[]; rows: Row[] } {
  const all = clearOnPage([...headlines, ...rows.flatMap(({ figures }) => Object.values(figures))])
  let at = headlines.length
  return {
    headlines: all.slice(0, headlines.length),
    rows: rows.map((row) => ({
      ...row,
      figures: Object.fromEntries(Object.keys(row.figures).map((metric) => [metric, all[at++]!])),
    })),
  }
}

/** How far two figures lie apart, in standard deviations of chance alone; undefined where nothing is counted. */
function scoreOf(to: Figure, from: Figure, exposure: { to: number; from: number }): number | undefined {
  if (!to.interval && !from.interval) return undefined
  const metric = metricById(to.metric)
  if (metric.kind === 'ratio') {
    const parts = (figure: Figure) => ({
      count: nearlyWhole(figure.value! * figure.observations),
      exposure: figure.observations,
    })
    const [one, other] = [parts(to), parts(from)]
    const isShare = metric.unit === 'share' && one.count <= one.exposure && other.count <= other.exposure
    return isShare && metricById(metric.denominator).kind === 'flow' ? sharesApart(one, other) : countsApart(one, other)
  }
  if (!isSigned(metric))
    return countsApart({ count: to.value!, exposure: exposure.to }, { count: from.value!, exposure: exposure.from })
  // of a difference of counts, such as followers won less followers lost, what was counted on both sides scatters
  const spread = Math.sqrt(to.observations / exposure.to ** 2 + from.observations / exposure.from ** 2)
  return spread > 0 ? (to.value! / exposure.to - from.value! / exposure.from) / spread : undefined
}

/** A count that was divided and multiplied again, without the dust of it. */
const nearlyWhole = (count: number): number =>
  Math.abs(count - Math.round(count)) < 1e-6 * Math.max(1, count) ? Math.round(count) : count

/** What is said of a change: nothing where it is not clear or usual, or where the whole and the day do not agree. */
function judgementOf({ isUnclear, usual, direction, perDay }: Change, metric: string): Change['judgement'] {
  if (isUnclear || usual?.isWithin) return 'neutral'
  const byDay = !perDay || perDay.to === perDay.from ? 'same' : perDay.to > perDay.from ? 'up' : 'down'
  return perDay && byDay !== direction ? 'neutral' : judge(direction, metricById(metric).polarity)
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
  const read: Change = {
    ...change,
    perDay: { ...perDay, ...(perDay.from > 0 && { relative: perDay.to / perDay.from - 1 }) },
  }
  return { ...read, judgement: judgementOf(read, metric) }
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
