import { dayFromNumber, dayNumber } from '../days/day'
import type { Metric } from '../metrics/metric'
import { counterpart, type Comparison } from '../periods/comparison'
import { lengthOf, type Period } from '../periods/period'
import type { ProfileAggregate } from './aggregate'
import { daysWith, presenceOf, type Presence } from './daysWith'
import { foundOut } from './foundOut'

/** The days of a profile that a change rests on, in the period and in the comparison. */
export interface PairedDays {
  now: Presence
  then: Presence
}

/**
 * The days of one profile on which a metric can be compared: a day that is missing on one side is left out on the other
 * side too, so that a gap is not read as a fall. Days by which one period is longer than the other have no counterpart
 * and stay.
 *
 * @returns undefined where no day is left on one of the sides
 * @example pairedDays(metricById('interactions'), { member: now, period }, { member: then, comparison })?.now.count //
 *                                                 26
 */
export function pairedDays(
  metric: Metric,
  { member, period }: { member: ProfileAggregate; period: Period },
  { member: earlier, comparison }: { member: ProfileAggregate; comparison: Comparison },
): PairedDays | undefined {
  const [now, then] = [daysWith(metric, member, period), daysWith(metric, earlier, comparison.period)]
  if (now.count === 0 || then.count === 0) return undefined
  if (!now.mask && !then.mask) return { now, then }
  const pairs = (foundOut(member).pairs ??= new Map<Metric, FoundPair>())
  const known = pairs.get(metric)
  if (known?.then === then && isSamePairing(known.pairing, comparison.pairing)) return known.days
  const days = pair(now, then, period, comparison)
  pairs.set(metric, { then, pairing: comparison.pairing, days })
  return days
}

/** The pair that was found last of a profile and metric: it stands in the whole, in a row, and in what explains it. */
export interface FoundPair {
  then: Presence
  pairing: Comparison['pairing']
  days: PairedDays | undefined
}

const isSamePairing = (a: Comparison['pairing'], b: Comparison['pairing']): boolean =>
  a.kind === 'days' ? b.kind === 'days' && a.days === b.days : b.kind === 'date' && a.years === b.years

function pair(now: Presence, then: Presence, period: Period, comparison: Comparison): PairedDays | undefined {
  const all = { now: maskOf(now, period), then: maskOf(then, comparison.period) }
  const [first, firstThen] = [dayNumber(period.from), dayNumber(comparison.period.from)]
  for (let index = 0; index < all.now.length; index++) {
    const other = counterpartIndex(first + index, comparison) - firstThen
    if (!(other >= 0 && other < all.then.length)) continue
    if (!all.now[index] || !all.then[other]) all.now[index] = all.then[other] = 0
  }
  const paired = { now: presenceOf(all.now), then: presenceOf(all.then) }
  return paired.now.count === 0 || paired.then.count === 0 ? undefined : paired
}

const maskOf = ({ mask }: Presence, period: Period): Uint8Array =>
  mask ? mask.slice() : new Uint8Array(lengthOf(period)).fill(1)

/** The number of the counterpart day; −1 where there is none. A shift needs no calendar. */
function counterpartIndex(day: number, { pairing }: Comparison): number {
  if (pairing.kind === 'days') return day - pairing.days
  const other = counterpart(dayFromNumber(day), pairing)
  return other === undefined ? -1 : dayNumber(other)
}
