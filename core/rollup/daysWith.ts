import { dayNumber } from '../days/day'
import { keep } from '../keep'
import { metricById } from '../metrics/catalogue'
import { isPublicColumn, type FactColumn, type FlowColumn } from '../metrics/storedFigures'
import type { FlowMetric, Metric, UniqueMetric } from '../metrics/metric'
import { networkById, reportsColumn } from '../networks/networks'
import { lengthOf, type Period } from '../periods/period'
import type { ReachBounds } from '../reach/reachBounds'
import type { ProfileAggregate } from './aggregate'
import { foundOut } from './foundOut'

/** Which days of a period count: one entry a day, 1 where it does. */
export type DayMask = Uint8Array

/** On how many days of a period something is there, and on which where that is neither all of them nor none. */
export interface Presence {
  count: number
  mask?: DayMask
  /** Those of them that were chosen, by the choice, as far as they were asked for. */
  among?: Map<DayMask, Presence>
  /** How many people there were on them, between which bounds, where a profile was asked. */
  bounds?: Map<UniqueMetric, ReachBounds | undefined>
}

/** So many choices of days are kept of a profile and metric: a period is compared with few others. */
const MOST_CHOICES = 16

/** The days that count for each profile; a profile that is not listed counts with all of its days. */
export type DayChoice = ReadonlyMap<number, DayMask>

/**
 * Whether a profile's network gives a daily figure to us: without the owner's consent it gives what everybody can see.
 */
export const gives = (
  { network, isPublicOnly }: Pick<ProfileAggregate, 'network' | 'isPublicOnly'>,
  column: FactColumn,
): boolean => reportsColumn(networkById(network), column) && (!isPublicOnly || isPublicColumn(column))

/** What a profile has of a daily count over the period that it was rolled up for. */
export interface OwnFlow {
  /** The stored columns that make it up; a day counts only where every one of them is there. */
  parts: FlowMetric['parts']
  /** The network gives one of its columns to us. */
  isGiven: boolean
  presence: Presence
  /** Over all days that are there; absent where none is. */
  sum?: FlowSum
  /** Over some of those days, as far as they were asked for. */
  sums?: Map<Presence, FlowSum>
}

/**
 * What a profile has of a daily count, worked out once: it stands in the whole, in the profile's row and in its rates.
 *
 * @param period  the one that the aggregate was made for
 * @throws Error when a gap has to be looked into and the aggregate has no days
 * @example ownFlow(metricById('interactions'), member, period).sum?.value // 1240
 */
export function ownFlow(metric: FlowMetric, member: ProfileAggregate, period: Period): OwnFlow {
  const found = foundOut(member)
  return (found.flows[metric.id] ??= madeFlow(metric, member, period, (found.length ??= lengthOf(period))))
}

function madeFlow(metric: FlowMetric, member: ProfileAggregate, period: Period, length: number): OwnFlow {
  const given = givenParts(metric, member)
  const isGiven = given !== 0
  const parts = partsOf(metric, given, member, isGiven ? length : 1)
  const presence = flowDays(parts, member, period, length)
  return presence.count > 0
    ? { parts, isGiven, presence, sum: sumOf(parts, member, period, presence.mask) }
    : { parts, isGiven, presence }
}

/** The lists of parts that were made before, by which parts are in them: there are few, and each is one list. */
const lists = new WeakMap<FlowMetric, Map<number, FlowMetric['parts']>>()

/** The parts that a network gives, a bit for each. */
function givenParts({ parts }: FlowMetric, member: ProfileAggregate): number {
  let bits = 0
  for (let index = 0; index < parts.length; index++) if (gives(member, parts[index]!.column)) bits |= 1 << index
  return bits
}

/** The parts that a network gives, and those of which something was imported for enough days. */
function partsOf(metric: FlowMetric, given: number, { counts }: ProfileAggregate, enough: number): FlowMetric['parts'] {
  let bits = given
  for (let index = 0; index < metric.parts.length; index++)
    if ((counts[metric.parts[index]!.column] ?? 0) >= enough) bits |= 1 << index
  if (bits === (1 << metric.parts.length) - 1) return metric.parts
  const known = lists.get(metric) ?? new Map<number, FlowMetric['parts']>()
  lists.set(metric, known)
  const list = known.get(bits) ?? metric.parts.filter((_, index) => bits & (1 << index))
  known.set(bits, list)
  return list
}

/**
 * The stored columns that make up a daily count at a profile: those that its network gives, and those that somebody has
 * imported for every day of the period. Where the network gives none of them, whatever was imported makes it up. A day
 * counts only where every one of them is there: a missing part is not zero.
 *
 * @example partsAt(metricById('interactions'), { network: 'commons', … }, period).map(({ column }) => column) //
 *                                              ['reactions', 'comments', 'shares']
 */
export const partsAt = (metric: FlowMetric, member: ProfileAggregate, period: Period): FlowMetric['parts'] =>
  ownFlow(metric, member, period).parts

/**
 * The days on which a profile has what a metric adds up day by day: of a count all of its parts; of a rate its
 * numerator and, where that is counted daily too, its denominator. A level or a number of people is not added, so it
 * asks for no days of its own.
 *
 * @throws Error when a gap has to be looked into and the aggregate has no days
 * @example daysWith(metricById('engagement_by_impressions'), member, period).count // 27
 */
export function daysWith(metric: Metric, member: ProfileAggregate, period: Period): Presence {
  if (metric.kind === 'flow') return ownFlow(metric, member, period).presence
  if (metric.kind !== 'ratio') return { count: lengthOf(period) }
  const days = (foundOut(member).days ??= new Map<Metric, Presence>())
  let presence = days.get(metric)
  if (presence === undefined)
    days.set(
      metric,
      (presence = daysWithBoth(
        daysWith(metricById(metric.numerator), member, period),
        daysWith(metricById(metric.denominator), member, period),
      )),
    )
  return presence
}

/** The days that are in both. */
export function daysWithBoth(a: Presence, b: Presence): Presence {
  if (a.count === 0 || b.count === 0) return { count: 0 }
  if (!a.mask || a === b) return b
  if (!b.mask) return a
  const both = new Uint8Array(a.mask.length)
  for (let index = 0; index < both.length; index++) both[index] = a.mask[index]! & b.mask[index]!
  return presenceOf(both)
}

/**
 * The days that are there and chosen, found once for each choice, so that what rests on the very same days is worked
 * out once.
 *
 * @example amongChosen({ count: 28 }, mask).count // 26
 */
export function amongChosen(present: Presence, chosen: DayMask): Presence {
  present.among ??= new Map()
  return (
    present.among.get(chosen) ?? keep(present.among, chosen, daysWithBoth(present, presenceOf(chosen)), MOST_CHOICES)
  )
}

/** A mask with its count; one of all days or of none is left out. */
export function presenceOf(mask: DayMask): Presence {
  let count = 0
  for (let index = 0; index < mask.length; index++) count += mask[index]!
  return count === 0 || count === mask.length ? { count } : { count, mask }
}

function flowDays(parts: FlowMetric['parts'], member: ProfileAggregate, period: Period, length: number): Presence {
  const { counts, days } = member
  let isWhole = parts.length > 0
  for (const { column } of parts) {
    const count = counts[column]
    if (!count) return { count: 0 }
    if (count !== length) isWhole = false
  }
  if (isWhole || parts.length === 0) return { count: isWhole ? length : 0 }
  if (!days) throw new Error(`profile ${member.profile} has gaps, but its days were not read`)
  const offset = dayNumber(period.from) - days.first
  const mask = new Uint8Array(length).fill(1)
  for (const { column } of parts) {
    if (counts[column] === length) continue
    const values = days.columns[column]!
    for (let index = 0; index < length; index++) {
      const value = values[offset + index]
      if (value === undefined || value !== value) mask[index] = 0
    }
  }
  return presenceOf(mask)
}

/** What a daily count comes to, and everything that was counted for it, whichever way it goes. */
export interface FlowSum {
  value: number
  events: number
}

/**
 * A daily count of a profile over the days that count.
 *
 * @param presence  the days, all of which have every part
 * @returns         undefined when there is no such day
 */
export function flowSum(
  metric: FlowMetric,
  member: ProfileAggregate,
  period: Period,
  presence: Presence,
): FlowSum | undefined {
  if (presence.count === 0) return undefined
  const own = ownFlow(metric, member, period)
  if (presence === own.presence) return own.sum
  own.sums ??= new Map()
  return (
    own.sums.get(presence) ?? keep(own.sums, presence, sumOf(own.parts, member, period, presence.mask), MOST_CHOICES)
  )
}

function sumOf(parts: FlowMetric['parts'], member: ProfileAggregate, period: Period, mask?: DayMask): FlowSum {
  let value = 0
  let events = 0
  for (const { column, sign } of parts) {
    const part = partSum(column, member, period, mask)
    value += sign * part
    events += Math.abs(part)
  }
  return { value, events }
}

/** One stored column over the days that count, all of which have it. */
export const partSum = (column: FlowColumn, member: ProfileAggregate, period: Period, mask?: DayMask): number =>
  mask ? maskedSum(column, member, period, mask) : member.sums[column]!

/**
 * What a daily count comes to over some profiles, for whoever needs the value alone.
 *
 * @returns undefined where none of them has a day of it
 * @example flowValue(metricById('calls'), members, period) // 107
 */
export function flowValue(
  metric: FlowMetric,
  members: readonly ProfileAggregate[],
  period: Period,
): number | undefined {
  let value: number | undefined
  for (const member of members) {
    const { sum } = ownFlow(metric, member, period)
    if (sum) value = (value ?? 0) + sum.value
  }
  return value
}

function maskedSum(column: FlowColumn, { days, profile }: ProfileAggregate, period: Period, mask: DayMask): number {
  if (!days) throw new Error(`some days of profile ${profile} are left out, but its days were not read`)
  const values = days.columns[column]!
  const offset = dayNumber(period.from) - days.first
  let sum = 0
  for (let index = 0; index < mask.length; index++) if (mask[index]) sum += values[offset + index]!
  return sum
}
