import { countChange, countsClearOnPage, type CountChange } from '../../../core/change/countChange'
import { networkById } from '../../../core/networks/networks'
import type { Comparison } from '../../../core/periods/comparison'
import { addDays, type Day } from '../../../core/days/day'
import { describeDay } from '../../../core/periods/describePeriod'
import { daysEnding, lengthOf, type Period } from '../../../core/periods/period'
import { STOCK_AGE_DAYS } from '../../../core/rollup/aggregate'
import { partName, breakdownById, BREAKDOWNS, TIMES, type Breakdown } from '../../../core/breakdowns/breakdowns'
import { fitsTimes, timesBounds } from '../../../core/breakdowns/timesBounds'
import type { ClientDb } from '../../platform/database/clientDb'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { raw, sql, type Raw } from '../../platform/database/sql'
import { badRequest } from '../../platform/problems/problem'
import type { ResolvedScope } from '../../figures/resolveScope'
import type { BreakdownView, PartFigure, TimesOfProfile, BreakdownChoice } from '../../../shared/read/breakdown'

/** What the parts of `p` are called. */
const NAMED = sql`JOIN breakdown_part n ON n.client_id = p.client_id AND n.part_id = p.part_id`

interface Giving {
  row: ProfileRow
  rule: Breakdown['networks'][string]
}

/**
 * The breakdowns that some profile of the scope gives, and the one that is asked for; the first where there is no such one.
 */
export async function breakdownsOf(db: ClientDb, scope: ResolvedScope, wanted: string): Promise<BreakdownChoice> {
  const breakdowns = BREAKDOWNS.filter((breakdown) => giving(scope, breakdown).length > 0).map(({ id }) => id)
  const shown = breakdowns.includes(wanted) ? wanted : breakdowns[0]
  return { breakdowns, view: shown === undefined ? null : await breakdownOf(db, scope, shown) }
}

/**
 * One breakdown over a scope.
 *
 * @throws Problem 400 when there is no such breakdown
 */
export async function breakdownOf(db: ClientDb, scope: ResolvedScope, id: string): Promise<BreakdownView> {
  if (!BREAKDOWNS.some((breakdown) => breakdown.id === id))
    throw badRequest('There is no such breakdown of a figure. Choose one from the list.')
  const breakdown = breakdownById(id)
  const members = giving(scope, breakdown)
  const ids = members.map(({ row }) => row.profile_id)
  const { days } = (await db.one<{ days: number }>(sql`
    SELECT COUNT(*) AS days
    FROM   (SELECT DISTINCT profile_id, day
            FROM   profile_day_breakdown
            WHERE  client_id = ${db.client}
            AND    profile_id IN (${ids})
            AND    breakdown = ${breakdown.code}
            AND    day BETWEEN ${scope.period.from} AND ${scope.period.to}) present`))!
  const expected = lengthOf(scope.period) * members.length
  const snapshot = breakdown.kind === 'levels' ? await levels(db, scope, breakdown, ids) : undefined
  const { rows, compared } = snapshot
    ? {
        rows: snapshot.rows,
        compared: snapshot.rows.some(({ from }) => from !== undefined)
          ? undefined
          : await comparedWords(db, scope, breakdown, ids, undefined),
      }
    : await rowsOf(db, scope, breakdown, ids)
  return {
    breakdown: id,
    kind: breakdown.kind,
    ...(snapshot?.asOf && { asOf: snapshot.asOf }),
    present: days,
    expected,
    profiles: members.map(({ row }) => `${row.name}, ${row.networkName}`),
    without: scope.connected.length - members.length,
    rows,
    ...(compared && { compared }),
    times: breakdown.kind === 'times' ? await times(db, scope.period, breakdown, members) : [],
    ...(breakdown.kind !== 'levels' && days < expected && { withheld: withheldOf(members, expected - days) }),
    ...(snapshot &&
      snapshot.profiles < members.length && {
        withheld:
          `${members.length - snapshot.profiles} of these ${members.length} profiles had no count in the ` +
          'seven days before the end of the period: networks keep it back below ' +
          `${Math.max(...members.map(({ rule }) => rule.minimum?.people ?? 0))} followers. What is kept back ` +
          'is not zero.',
      }),
  }
}

const rowsOf = async (
  db: ClientDb,
  scope: ResolvedScope,
  breakdown: Breakdown,
  ids: number[],
): Promise<{ rows: PartFigure[]; compared?: string }> => {
  if (breakdown.kind === 'overlapping') return { rows: await bounds(db, scope, breakdown, ids) }
  if (breakdown.kind === 'hours') return { rows: await hours(db, scope, breakdown, ids) }
  if (breakdown.kind !== 'parts' && breakdown.kind !== 'nested') return { rows: [] }
  const { rows, days } = await sums(db, scope, breakdown, ids)
  const compared = rows.length > 0 ? await comparedWords(db, scope, breakdown, ids, days) : undefined
  return { rows, ...(compared && { compared }) }
}

/**
 * The newest snapshot of each profile at the end of the period, no older than a week, beside that at the end of the
 * comparison for the profiles that have both.
 */
async function levels(
  db: ClientDb,
  scope: ResolvedScope,
  breakdown: Breakdown,
  ids: number[],
): Promise<{ rows: PartFigure[]; profiles: number; asOf?: Day }> {
  const at = (to: Day) =>
    db.rows<{ profile_id: number; day: Day; part: string; value: number }>(sql`
    SELECT p.profile_id, p.day, n.part, p.value
    FROM   profile_day_breakdown p
    ${NAMED}
    JOIN   (SELECT   profile_id, MAX(day) AS day
            FROM     profile_day_breakdown
            WHERE    client_id = ${db.client}
            AND      profile_id IN (${ids})
            AND      breakdown = ${breakdown.code}
            AND      day BETWEEN ${addDays(to, -STOCK_AGE_DAYS)} AND ${to}
            GROUP BY profile_id) newest ON newest.profile_id = p.profile_id AND newest.day = p.day
    WHERE  p.client_id = ${db.client}
    AND    p.breakdown = ${breakdown.code}`)
  const [now, then] = await Promise.all([at(scope.period.to), scope.comparison ? at(scope.comparison.period.to) : []])
  const both = new Set(
    then.map(({ profile_id: profile }) => profile).filter((profile) => now.some((row) => row.profile_id === profile)),
  )
  const sum = (rows: typeof now, part: string, only?: Set<number>) =>
    rows
      .filter((row) => row.part === part && (!only || only.has(row.profile_id)))
      .reduce((all, { value }) => all + value, 0)
  const all = now.reduce((total, { value }) => total + value, 0)
  const order =
    breakdown.parts?.map(({ id }) => id) ??
    [...new Set(now.map(({ part }) => part))].sort((a, b) => sum(now, b) - sum(now, a) || a.localeCompare(b))
  const rows =
    all === 0
      ? []
      : order.map((part) => ({
          part,
          name: partName(breakdown, part),
          value: sum(now, part),
          share: sum(now, part) / all,
          ...(both.size > 0 && { from: sum(then, part, both), to: sum(now, part, both) }),
        }))
  const asOf = now
    .map(({ day }) => day)
    .sort()
    .at(-1)
  return { rows, profiles: new Set(now.map(({ profile_id: profile }) => profile)).size, ...(asOf && { asOf }) }
}

const giving = (scope: ResolvedScope, breakdown: Breakdown): Giving[] =>
  scope.connected
    .filter(({ consent }) => consent !== 'none')
    .flatMap((row) => (breakdown.networks[row.network] ? [{ row, rule: breakdown.networks[row.network]! }] : []))

function withheldOf(members: readonly Giving[], missing: number): string | undefined {
  const rules = [...new Map(members.map(({ row, rule }) => [row.network, rule] as const))]
  const words = rules.flatMap(([network, { minimum, historyDays }]) => {
    const { name } = networkById(network)
    return [
      ...(minimum
        ? [
            `${name} keeps it back below ${minimum.people} people ${minimum.days === 1 ? 'in a day' : `in ${minimum.days} days`}`,
          ]
        : []),
      ...(historyDays ? [`${name} forgets it after ${historyDays} days`] : []),
    ]
  })
  return words.length === 0
    ? undefined
    : `Withheld or missing on ${missing} ${missing === 1 ? 'day' : 'days'}: ${words.join('; ')}. What is kept back is not zero.`
}

async function sums(
  db: ClientDb,
  scope: ResolvedScope,
  breakdown: Breakdown,
  ids: number[],
): Promise<{ rows: PartFigure[]; days?: PairedParts['days'] }> {
  const [rows, paired] = await Promise.all([
    db.rows<{ part: string; value: number }>(sql`
      SELECT   n.part, SUM(p.value) AS value
      FROM     profile_day_breakdown p
      ${NAMED}
      WHERE    p.client_id = ${db.client}
      AND      p.profile_id IN (${ids})
      AND      p.breakdown = ${breakdown.code}
      AND      p.day BETWEEN ${scope.period.from} AND ${scope.period.to}
      GROUP BY p.part_id`),
    scope.comparison ? pairedParts(db, scope.period, scope.comparison, breakdown.code, ids) : undefined,
  ])
  // what is nested is a part of its first; what is side by side, of all together
  const all =
    breakdown.kind === 'nested'
      ? (rows.find(({ part }) => part === breakdown.parts![0]!.id)?.value ?? 0)
      : rows.reduce((sum, { value }) => sum + value, 0)
  const parts =
    breakdown.parts?.map(({ id }) => id) ??
    rows.sort((a, b) => b.value - a.value || a.part.localeCompare(b.part)).map(({ part }) => part)
  if (rows.length === 0) return { rows: [] }
  const pair = (part: string) => {
    if (!paired || paired.days.now === 0) return undefined
    const [to, from] = [paired.now.get(part) ?? 0, paired.then.get(part) ?? 0]
    const { now, then } = paired.days
    return { from, to, change: countChange({ count: to, days: now }, { count: from, days: then }) }
  }
  const pairs = countsClearOnPage(parts.map((part) => pair(part) ?? {}))
  const shown = parts.map((part, at) => {
    const value = rows.find((row) => row.part === part)?.value ?? 0
    return {
      part,
      name: partName(breakdown, part),
      value,
      ...(all > 0 && { share: value / all }),
      ...unclearOr(pairs[at]!),
    }
  })
  return { rows: shown, ...(paired && { days: paired.days }) }
}

/** A part's pair of counts, and whether its change is clear among those of all parts. */
const unclearOr = ({
  from,
  to,
  change,
}: {
  from?: number
  to?: number
  change?: CountChange
}): Pick<PartFigure, 'from' | 'to' | 'isUnclear'> => ({
  ...(from !== undefined && { from }),
  ...(to !== undefined && { to }),
  ...(change?.isUnclear && from !== to && { isUnclear: true as const }),
})

/**
 * SQL for the day of the comparison that belongs to a day of the period and the other way round; a day of a leap year
 * that is compared by date stands alone.
 */
function counterpartDay({ pairing }: Comparison, direction: 'back' | 'forth'): { day: Raw; isPaired: Raw } {
  const sign = direction === 'back' ? '-' : '+'
  if (pairing.kind === 'days')
    return { day: raw(`p.day ${sign} INTERVAL ${Math.trunc(pairing.days)} DAY`), isPaired: raw('1 = 1') }
  const day = `p.day ${sign} INTERVAL ${Math.trunc(pairing.years)} YEAR`
  return { day: raw(day), isPaired: raw(`DAY(${day}) = DAY(p.day)`) }
}

interface PairedParts {
  now: ReadonlyMap<string, number>
  then: ReadonlyMap<string, number>
  /** On how many profile-days it rests on each side. */
  days: { now: number; then: number }
}

/**
 * The parts over the days on which the figure above them is compared: a day that is missing on one side is left out on
 * the other, days by which one period is longer have no counterpart and stay. Profiles that have days on one side alone
 * are no part of it.
 */
async function pairedParts(
  db: ClientDb,
  period: Period,
  comparison: Comparison,
  breakdown: number,
  ids: number[],
): Promise<PairedParts> {
  const side = (own: Period, other: Period, direction: 'back' | 'forth') => {
    const { day, isPaired } = counterpartDay(comparison, direction)
    return sql`
      SELECT DISTINCT p.profile_id, p.day
      FROM   profile_day_breakdown p
      WHERE  p.client_id = ${db.client}
      AND    p.profile_id IN (${ids})
      AND    p.breakdown = ${breakdown}
      AND    p.day BETWEEN ${own.from} AND ${own.to}
      AND    (NOT (${isPaired} AND ${day} BETWEEN ${other.from} AND ${other.to})
              OR EXISTS (SELECT 1
                         FROM   profile_day_breakdown e
                         WHERE  e.client_id = p.client_id
                         AND    e.profile_id = p.profile_id
                         AND    e.breakdown = p.breakdown
                         AND    e.day = ${day}))`
  }
  const rows = await db.rows<{ side: 'now' | 'then'; profile: number; part: string; value: number; days: number }>(sql`
    WITH days AS (
      SELECT 'now' AS side, kept.* FROM (${side(period, comparison.period, 'back')}) kept
      UNION ALL
      SELECT 'then', kept.* FROM (${side(comparison.period, period, 'forth')}) kept)
    SELECT   d.side, d.profile_id AS profile, n.part, CAST(SUM(p.value) AS DOUBLE) AS value,
             (SELECT COUNT(*) FROM days own WHERE own.side = d.side AND own.profile_id = d.profile_id) AS days
    FROM     days d
    JOIN     profile_day_breakdown p ON p.client_id = ${db.client} AND p.profile_id = d.profile_id
    AND      p.breakdown = ${breakdown} AND p.day = d.day
    ${NAMED}
    GROUP BY d.side, d.profile_id, p.part_id`)
  const of = (name: 'now' | 'then') => rows.filter((row) => row.side === name)
  const both = new Set(of('now').map(({ profile }) => profile))
  const inBoth = new Set(of('then').flatMap(({ profile }) => (both.has(profile) ? [profile] : [])))
  const sums = (name: 'now' | 'then') => {
    const parts = new Map<string, number>()
    for (const { profile, part, value } of of(name))
      if (inBoth.has(profile)) parts.set(part, (parts.get(part) ?? 0) + value)
    return parts
  }
  const daysOf = (name: 'now' | 'then') =>
    [...new Map(of(name).map(({ profile, days }) => [profile, days]))]
      .filter(([profile]) => inBoth.has(profile))
      .reduce((all, [, days]) => all + days, 0)
  return { now: sums('now'), then: sums('then'), days: { now: daysOf('now'), then: daysOf('then') } }
}

/** What a breakdown's change rests on, or why there is none, in a sentence; nothing where it rests on every day. */
async function comparedWords(
  db: ClientDb,
  { period, comparison }: ResolvedScope,
  breakdown: Breakdown,
  ids: number[],
  days: PairedParts['days'] | undefined,
): Promise<string | undefined> {
  if (!comparison) return undefined
  if (days && days.now > 0) {
    const [ofNow, ofThen] = [lengthOf(period) * ids.length, lengthOf(comparison.period) * ids.length]
    if (days.now === ofNow && days.then === ofThen) return undefined
    const each = ids.length > 1 ? 'days of profiles' : 'days'
    return `The change rests on ${days.now} of ${ofNow} ${each} now and ${days.then} of ${ofThen} then, those that both have.`
  }
  const first = await db.one<{ day: Day | null }>(sql`
    SELECT MIN(day) AS day
    FROM   profile_day_breakdown
    WHERE  client_id = ${db.client}
    AND    profile_id IN (${ids})
    AND    breakdown = ${breakdown.code}`)
  if (!first?.day) return undefined
  return first.day > comparison.period.from
    ? `This is known from ${describeDay(first.day)} on, so there is nothing to compare with.`
    : 'No profile has this on days that both periods have, so there is nothing to compare with.'
}

/**
 * People by way: never added, so between the largest single day and all days added, and no more than the impressions
 * that came that way.
 */
async function bounds(db: ClientDb, scope: ResolvedScope, breakdown: Breakdown, ids: number[]): Promise<PartFigure[]> {
  const rows = await db.rows<{ part: string; low: number; high: number; shown: number | null }>(sql`
    SELECT    n.part, MAX(p.value) AS low, SUM(p.value) AS high, SUM(i.value) AS shown
    FROM      profile_day_breakdown p
    ${NAMED}
    LEFT JOIN profile_day_breakdown i ON i.client_id = p.client_id AND i.profile_id = p.profile_id
    AND i.breakdown = ${breakdownById('impressions_by_source').code} AND i.day = p.day AND i.part_id = p.part_id
    WHERE     p.client_id = ${db.client}
    AND       p.profile_id IN (${ids})
    AND       p.breakdown = ${breakdown.code}
    AND       p.day BETWEEN ${scope.period.from} AND ${scope.period.to}
    GROUP BY  p.part_id`)
  return (breakdown.parts ?? []).flatMap(({ id, name }) => {
    const row = rows.find(({ part }) => part === id)
    return row
      ? [{ part: id, name, low: row.low, high: Math.max(row.low, Math.min(row.high, row.shown ?? Infinity)) }]
      : []
  })
}

/**
 * The people who were there in each hour on a typical day: of every profile the mean over its days that have the hour,
 * so that a day of 23 hours weighs like others; over profiles the sum, in which somebody who follows two counts twice.
 * Beside it the followers of the same days.
 */
async function hours(db: ClientDb, scope: ResolvedScope, breakdown: Breakdown, ids: number[]): Promise<PartFigure[]> {
  const rows = await db.rows<{ part: string; people: number }>(sql`
    SELECT   n.part, SUM(p.people) AS people
    FROM     (SELECT   client_id, profile_id, part_id, AVG(value + 0e0) AS people
              FROM     profile_day_breakdown
              WHERE    client_id = ${db.client}
              AND      profile_id IN (${ids})
              AND      breakdown = ${breakdown.code}
              AND      day BETWEEN ${scope.period.from} AND ${scope.period.to}
              GROUP BY profile_id, part_id) p
    ${NAMED}
    GROUP BY p.part_id`)
  const all = await db.one<{ followers: number | null }>(sql`
    SELECT SUM(followers) AS followers
    FROM   (SELECT   d.profile_id, AVG(d.followers + 0e0) AS followers
            FROM     profile_day d
            WHERE    d.client_id = ${db.client}
            AND      d.profile_id IN (${ids})
            AND      d.day BETWEEN ${scope.period.from} AND ${scope.period.to}
            AND      EXISTS (SELECT 1 FROM profile_day_breakdown p WHERE p.client_id = d.client_id
    AND p.profile_id = d.profile_id AND p.breakdown = ${breakdown.code} AND p.day = d.day)
            GROUP BY d.profile_id) typical`)
  const fullest = Math.max(0, ...rows.map(({ people }) => people))
  return (breakdown.parts ?? []).flatMap(({ id, name }) => {
    const people = rows.find(({ part }) => part === id)?.people
    return people === undefined
      ? []
      : [
          {
            part: id,
            name,
            value: people,
            ...(all?.followers && { share: people / all.followers }),
            ...(fullest > 0 && { ofFullest: people / fullest }),
          },
        ]
  })
}

async function times(
  db: ClientDb,
  period: Period,
  breakdown: Breakdown,
  members: readonly Giving[],
): Promise<TimesOfProfile[]> {
  const rows = await db.rows<{ profile_id: number; part: string; value: number }>(sql`
    SELECT p.profile_id, n.part, p.value
    FROM   profile_day_breakdown p
    ${NAMED}
    WHERE  p.client_id = ${db.client}
    AND    p.profile_id IN (${members.map(({ row }) => row.profile_id)})
    AND    p.breakdown = ${breakdown.code}
    AND    p.day = ${period.to}`)
  const result: TimesOfProfile[] = []
  for (const { row, rule } of members) {
    const people = new Map(
      rows.filter(({ profile_id: id }) => id === row.profile_id).map(({ part, value }) => [part, value]),
    )
    const known = timesBounds(people)
    if (!known) continue
    const window = daysEnding(period.to, rule.windowDays!)
    const shown = await db.one<{ impressions: number | null; days: number }>(sql`
      SELECT SUM(impressions) AS impressions, COUNT(impressions) AS days
      FROM   profile_day
      WHERE  client_id = ${db.client}
      AND    profile_id = ${row.profile_id}
      AND    day BETWEEN ${window.from} AND ${window.to}`)
    const frequency = shown?.days === rule.windowDays ? shown!.impressions! / known.people : undefined
    result.push({
      profile: row.profile_id,
      name: `${row.name}, ${row.networkName}`,
      windowDays: rule.windowDays!,
      people: known.people,
      bounds: known,
      counts: TIMES.map(({ id, name }) => ({
        part: id,
        name,
        people: people.get(id) ?? 0,
        share: (people.get(id) ?? 0) / known.people,
      })),
      ...(frequency !== undefined && { frequency, fits: fitsTimes(frequency, known) }),
    })
  }
  return result
}
