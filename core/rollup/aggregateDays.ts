import { dayFromNumber, dayNumber } from '../days/day'
import { FLOW_COLUMNS, STOCK_COLUMNS, type FactColumn } from '../metrics/storedFigures'
import type { Period } from '../periods/period'
import { emptyAggregate, STOCK_AGE_DAYS, type ProfileAggregate } from './aggregate'
import { valueOn, type DenseDays } from './denseDays'

/**
 * Sums and counts a part of a column, leaving out absent values.
 *
 * @returns the sum (0 when nothing is present) and how many values are present
 */
export function sumPresent(values: Float64Array, start: number, end: number): { sum: number; count: number } {
  let even = 0
  let odd = 0
  let absent = 0
  let row = start
  // two sums side by side, since each addition has to wait for the one before it
  for (; row + 1 < end; row += 2) {
    const first = values[row]!
    const second = values[row + 1]!
    if (first === first) even += first
    else absent++
    if (second === second) odd += second
    else absent++
  }
  if (row < end) {
    if (values[row] === values[row]) even += values[row]!
    else absent++
  }
  return { sum: even + odd, count: Math.max(0, end - start - absent) }
}

/**
 * What figures are made from, for one profile over one period, from its days.
 *
 * @param member   the profile, and what its network is allowed to tell
 * @param columns  the columns wanted; others are left out
 * @example        aggregateDays({ profile: 1, network: 'tintype' }, days, { from: '2026-10-01', to: '2026-10-28' },
 *                                 ['impressions'])
 */
export function aggregateDays(
  member: Pick<ProfileAggregate, 'profile' | 'network' | 'isPublicOnly'>,
  days: DenseDays,
  period: Period,
  columns: readonly FactColumn[],
): ProfileAggregate {
  const aggregate = emptyAggregate(member)
  aggregate.days = days
  const from = dayNumber(period.from)
  const to = dayNumber(period.to)
  for (const column of FLOW_COLUMNS) {
    const values = days.columns[column]
    if (!values || !columns.includes(column)) continue
    const { sum, count } = sumPresent(
      values,
      Math.max(0, from - days.first),
      Math.min(values.length, to + 1 - days.first),
    )
    if (count === 0) continue
    aggregate.sums[column] = sum
    aggregate.counts[column] = count
  }
  for (const column of STOCK_COLUMNS) {
    if (!columns.includes(column)) continue
    for (let day = to; day >= to - STOCK_AGE_DAYS; day--) {
      const value = valueOn(days, column, day)
      if (value !== value) continue
      aggregate.stocks[column] = { day: dayFromNumber(day), value }
      break
    }
  }
  return aggregate
}

/** How many periods of one profile are kept: a month's with all that is usual before it, or those of eight questions. */
const MOST_KEPT = 16
/** What all of them take in memory for one profile, with what is found out about each: about 12 kB a period. */
export const KEPT_BYTES = MOST_KEPT * 12_000
const KEPT = Symbol('kept')

/**
 * What figures are made from, of every column that the days have. Of the same days and period it is made once, with all
 * that was found out about it since (its bounds of people, the days that it shares with another period): days that stay
 * in memory need not be gone through again for the next question. The periods that were asked for last are kept.
 *
 * @param days  the days, which do not change any more
 */
export function aggregateOnce(
  member: Pick<ProfileAggregate, 'profile' | 'network' | 'isPublicOnly'>,
  days: DenseDays & { [KEPT]?: Map<string, ProfileAggregate> },
  period: Period,
): ProfileAggregate {
  const { profile, network, isPublicOnly = false } = member
  const key = `${profile} ${network} ${isPublicOnly} ${period.from} ${period.to}`
  const known = (days[KEPT] ??= new Map())
  const aggregate = known.get(key) ?? aggregateDays(member, days, period, Object.keys(days.columns) as FactColumn[])
  known.delete(key)
  known.set(key, aggregate)
  if (known.size > MOST_KEPT) known.delete(known.keys().next().value!)
  return aggregate
}
