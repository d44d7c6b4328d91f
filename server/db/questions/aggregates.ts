import { addDays } from '../../../core/days/day'
import { FACT_COLUMNS, familiesOf, FLOW_COLUMNS, STOCK_COLUMNS, windowColumns, type FactColumn, type FlowColumn, type UniqueFamily } from '../../../core/metrics/metric'
import type { Comparison } from '../../../core/periods/comparison'
import { lengthOf, type Period } from '../../../core/periods/period'
import { noWindows, STOCK_AGE_DAYS, type ProfileAggregate } from '../../../core/rollup/aggregate'
import { factTable, type FactTable, type ProfileDay } from '../../../core/rollup/factTable'
import { gives } from '../../../core/rollup/figureOf'
import { pairedSums, type PairedSum, type PairedSums } from '../../../core/rollup/pairedSums'
import type { ClientDb } from '../clientDb'
import { raw, sql } from '../sql'

/** A profile as far as a roll-up needs to know it. */
export interface Member {
  profile: number
  network: string
  /** Only what everybody can see is known of it. */
  isPublicOnly?: boolean
}

/**
 * The database executor: what figures are made from, summed where the data is. `aggregateTable` in core gives the same from memory.
 *
 * @returns one aggregate for each member, in their order; a member without data has an empty one
 */
export async function aggregates(db: ClientDb, members: readonly Member[], period: Period, columns: readonly FactColumn[]): Promise<ProfileAggregate[]> {
  const wanted = new Set(columns)
  const families = familiesOf(columns)
  const result = new Map(members.map((member) => [
    member.profile, { ...member, sums: {}, counts: {}, stocks: {}, windows: noWindows(period, families) } as ProfileAggregate,
  ]))
  const profiles = members.map(({ profile }) => profile)
  await Promise.all([
    addFlows(db, result, profiles, period, FLOW_COLUMNS.filter((column) => wanted.has(column))),
    STOCK_COLUMNS.some((column) => wanted.has(column)) && addStocks(db, result, profiles, period),
    ...families.map((family) => addWindows(db, result, profiles, period, family)),
  ])
  return [...result.values()]
}

type Row = Record<string, number | null> & { profile_id: number }

async function addFlows(db: ClientDb, result: Map<number, ProfileAggregate>, profiles: number[], period: Period, columns: FlowColumn[]): Promise<void> {
  if (columns.length === 0) return
  const rows = await db.rows<Row>(sql`
    SELECT   profile_id, ${raw(columns.map((column) => `SUM(${column}) AS sum_${column}, COUNT(${column}) AS count_${column}`).join(', '))}
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY profile_id`)
  for (const row of rows) {
    const aggregate = result.get(row.profile_id)!
    for (const column of columns) {
      const count = row[`count_${column}`]!
      if (count === 0) continue
      aggregate.sums[column] = row[`sum_${column}`]!
      aggregate.counts[column] = count
    }
  }
}

async function addStocks(db: ClientDb, result: Map<number, ProfileAggregate>, profiles: number[], { to }: Period): Promise<void> {
  const rows = await db.rows<{ profile_id: number; day: string; followers: number }>(sql`
    SELECT   profile_id, day, followers
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${addDays(to, -STOCK_AGE_DAYS)} AND ${to}
    AND      followers IS NOT NULL
    ORDER BY profile_id, day`)
  for (const { profile_id: profile, day, followers } of rows) result.get(profile)!.stocks.followers = { day, value: followers }
}

async function addWindows(db: ClientDb, result: Map<number, ProfileAggregate>, profiles: number[], period: Period, family: UniqueFamily): Promise<void> {
  const [daily, sevenDays, twentyEightDays] = Object.values(windowColumns(family)).map(raw)
  const rows = await db.rows<Row>(sql`
    SELECT   profile_id,
             FLOOR(DATEDIFF(${period.to}, day) / 7) AS block,
             SUM(${daily}) AS daily_sum,
             COUNT(${daily}) AS daily_count,
             MAX(IF(DATEDIFF(${period.to}, day) % 7 = 0, ${sevenDays}, NULL)) AS seven_days,
             MAX(IF(DATEDIFF(${period.to}, day) % 7 = 0, ${twentyEightDays}, NULL)) AS twenty_eight_days,
             MAX(${daily}) AS largest_1,
             MAX(IF(day >= ${addDays(period.from, 6)}, ${sevenDays}, NULL)) AS largest_7,
             MAX(IF(day >= ${addDays(period.from, 27)}, ${twentyEightDays}, NULL)) AS largest_28
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY profile_id, block`)
  for (const row of rows) {
    const windows = result.get(row.profile_id)!.windows[family]
    const block = windows.blocks[row.block!]
    const sums = block ?? windows.head
    sums.dailySum = row.daily_sum ?? 0
    sums.dailyCount = row.daily_count ?? 0
    if (block && row.seven_days !== null) block.sevenDays = row.seven_days
    if (block && row.twenty_eight_days !== null) block.twentyEightDays = row.twenty_eight_days
    for (const days of [1, 7, 28] as const) {
      const largest = row[`largest_${days}`]
      if (largest !== null && largest !== undefined) windows.largest[days] = Math.max(windows.largest[days] ?? 0, largest)
    }
  }
}

/** Sums over the days present in both periods, for those members that have a gap in either. */
export async function pairedAggregates(
  rowsOf: (profiles: readonly number[], periods: readonly Period[], columns: readonly FactColumn[]) => Promise<FactTable>, current: readonly ProfileAggregate[], earlier: readonly ProfileAggregate[], period: Period, comparison: Comparison, columns: readonly FactColumn[],
): Promise<PairedSums> {
  const flows = FLOW_COLUMNS.filter((column) => columns.includes(column))
  if (flows.length === 0) return new Map()
  const then = new Map(earlier.map((aggregate) => [aggregate.profile, aggregate]))
  const days = lengthOf(period)
  const pairedAtBest = Math.min(days, lengthOf(comparison.period))
  const paired = new Map<number, Partial<Record<FlowColumn, PairedSum>>>()
  const gaps: number[] = []
  for (const member of current) {
    const earlierMember = then.get(member.profile)
    const reported = flows.filter((column) => gives(member, column) || member.counts[column] || earlierMember?.counts[column])
    const counts = (side: ProfileAggregate | undefined) => reported.map((column) => side?.counts[column] ?? 0)
    const [now, past] = [counts(member), counts(earlierMember)]
    if (now.every((count) => count === days) && past.every((count) => count === pairedAtBest) && days === pairedAtBest) continue
    if (now.every((count) => count === 0) || past.every((count) => count === 0)) {
      paired.set(member.profile, Object.fromEntries(flows.map((column) => [column, { current: 0, earlier: 0, days: 0 }])))
    } else gaps.push(member.profile)
  }
  if (gaps.length > 0) {
    const table = await rowsOf(gaps, [period, comparison.period], flows)
    for (const [profile, sums] of pairedSums(table, period, comparison, flows)) paired.set(profile, sums)
  }
  return paired
}

/** The rows of profiles over one or two periods, as a fact table. */
export const facts = async (db: ClientDb, profiles: readonly number[], periods: readonly Period[], columns: readonly FactColumn[] = FACT_COLUMNS): Promise<FactTable> =>
  factTable(await factRows(db, profiles, periods, columns))

/** The rows of profiles over one or two periods. */
export const factRows = (db: ClientDb, profiles: readonly number[], [first, second = first]: readonly Period[], columns: readonly FactColumn[]): Promise<ProfileDay[]> => db.rows<ProfileDay>(sql`
    SELECT   profile_id AS profile, day, ${raw(columns.join(', '))}
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      (day BETWEEN ${first!.from} AND ${first!.to} OR day BETWEEN ${second!.from} AND ${second!.to})`)

/** The days on which a profile has a value in every one of the columns. */
export async function daysPresent(db: ClientDb, profile: number, period: Period, columns: readonly FactColumn[]): Promise<string[]> {
  const rows = await db.rows<{ day: string }>(sql`
    SELECT   day
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id = ${profile}
    AND      day BETWEEN ${period.from} AND ${period.to}
    AND      ${raw(columns.length === 0 ? '1 = 1' : columns.map((column) => `${column} IS NOT NULL`).join(' AND '))}`)
  return rows.map(({ day }) => day)
}
