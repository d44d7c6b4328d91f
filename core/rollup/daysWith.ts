import { dayNumber } from '../days/day'
import { metricById } from '../metrics/catalogue'
import { isPublicColumn, type FactColumn, type FlowColumn } from '../metrics/storedFigures'
import type { FlowMetric, Metric } from '../metrics/metric'
import { networkById, reportsColumn } from '../networks/networks'
import { lengthOf, type Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'

/** Which days of a period count: one entry a day, 1 where it does. */
export type DayMask = Uint8Array

/** On how many days of a period something is there, and on which where that is neither all of them nor none. */
export interface Presence {
  count: number
  mask?: DayMask
}

/** The days that count for each profile; a profile that is not listed counts with all of its days. */
export type DayChoice = ReadonlyMap<number, DayMask>

/**
 * Whether a profile's network gives a daily figure to us: without the owner's consent it gives what everybody can see.
 */
export const gives = (
  { network, isPublicOnly }: Pick<ProfileAggregate, 'network' | 'isPublicOnly'>,
  column: FactColumn,
): boolean => reportsColumn(networkById(network), column) && (!isPublicOnly || isPublicColumn(column))

/**
 * The stored columns that make up a daily count at a profile: those that its network gives, and those that somebody has
 * imported for every day of the period. Where the network gives none of them, whatever was imported makes it up. A day
 * counts only where every one of them is there: a missing part is not zero.
 *
 * @example partsAt(metricById('interactions'), { network: 'commons', … }, period).map(({ column }) => column) //
 *                                              ['reactions', 'comments', 'shares']
 */
export function partsAt(metric: FlowMetric, member: ProfileAggregate, period: Period): FlowMetric['parts'] {
  const isGiven = metric.parts.map(({ column }) => gives(member, column))
  const enough = isGiven.includes(true) ? lengthOf(period) : 1
  return metric.parts.filter(({ column }, index) => isGiven[index] || (member.counts[column] ?? 0) >= enough)
}

const found = new WeakMap<ProfileAggregate, Map<string, Presence>>()

/**
 * The days on which a profile has what a metric adds up day by day: of a count all of its parts; of a rate its
 * numerator and, where that is counted daily too, its denominator. A level or a number of people is not added, so it
 * asks for no days of its own.
 *
 * @throws Error when a gap has to be looked into and the aggregate has no days
 * @example daysWith(metricById('engagement_by_impressions'), member, period).count // 27
 */
export function daysWith(metric: Metric, member: ProfileAggregate, period: Period): Presence {
  const known = found.get(member) ?? new Map<string, Presence>()
  found.set(member, known)
  const before = known.get(metric.id)
  if (before) return before
  const presence =
    metric.kind === 'flow'
      ? flowDays(
          partsAt(metric, member, period).map(({ column }) => column),
          member,
          period,
        )
      : metric.kind === 'ratio'
        ? daysWithBoth(
            daysWith(metricById(metric.numerator), member, period),
            daysWith(metricById(metric.denominator), member, period),
          )
        : { count: lengthOf(period) }
  known.set(metric.id, presence)
  return presence
}

/** The days that are in both. */
export function daysWithBoth(a: Presence, b: Presence): Presence {
  if (a.count === 0 || b.count === 0) return { count: 0 }
  if (!a.mask) return b
  if (!b.mask) return a
  return presenceOf(a.mask.map((value, index) => value & b.mask![index]!))
}

/** A mask with its count; one of all days or of none is left out. */
export function presenceOf(mask: DayMask): Presence {
  let count = 0
  for (const value of mask) count += value
  return count === 0 || count === mask.length ? { count } : { count, mask }
}

function flowDays(columns: readonly FlowColumn[], member: ProfileAggregate, period: Period): Presence {
  const length = lengthOf(period)
  if (columns.length === 0 || columns.some((column) => !member.counts[column])) return { count: 0 }
  if (columns.every((column) => member.counts[column] === length)) return { count: length }
  const { days } = member
  if (!days) throw new Error(`profile ${member.profile} has gaps, but its days were not read`)
  const offset = dayNumber(period.from) - days.first
  const mask = new Uint8Array(length).fill(1)
  for (const column of columns) {
    const values = days.columns[column]!
    for (let index = 0; index < length; index++) {
      const value = values[offset + index]
      if (value === undefined || value !== value) mask[index] = 0
    }
  }
  return presenceOf(mask)
}

/** What the parts of a daily count come to, and everything that was counted for it, whichever way it goes. */
export interface FlowSum {
  /** By part, in the order of `partsAt`. */
  parts: number[]
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
  { count, mask }: Presence,
): FlowSum | undefined {
  if (count === 0) return undefined
  const parts = partsAt(metric, member, period)
  const sums = parts.map(({ column }) => (mask ? maskedSum(column, member, period, mask) : member.sums[column]!))
  return {
    parts: sums,
    value: sums.reduce((sum, part, index) => sum + parts[index]!.sign * part, 0),
    events: sums.reduce((sum, part) => sum + Math.abs(part), 0),
  }
}

function maskedSum(column: FlowColumn, { days, profile }: ProfileAggregate, period: Period, mask: DayMask): number {
  if (!days) throw new Error(`some days of profile ${profile} are left out, but its days were not read`)
  const values = days.columns[column]!
  const offset = dayNumber(period.from) - days.first
  let sum = 0
  for (let index = 0; index < mask.length; index++) if (mask[index]) sum += values[offset + index]!
  return sum
}
