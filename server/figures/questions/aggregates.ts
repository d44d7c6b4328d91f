import { addDays } from '../../../core/days/day'
import {
  FACT_COLUMNS,
  FLOW_COLUMNS,
  STOCK_COLUMNS,
  type FactColumn,
  type FlowColumn,
} from '../../../core/metrics/storedFigures'
import type { Period } from '../../../core/periods/period'
import { emptyAggregate, STOCK_AGE_DAYS, type ProfileAggregate } from '../../../core/rollup/aggregate'
import { factTable, type FactTable, type ProfileDay } from '../../../core/rollup/factTable'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'

/** A profile as far as a roll-up needs to know it. */
export interface Member {
  profile: number
  network: string
  /** Only what everybody can see is known of it. */
  isPublicOnly?: boolean
}

/**
 * The database executor: daily counts and levels, summed where the data is. `aggregateTable` in core gives the same
 * from memory. Gaps and people need the days themselves (`daysOf`).
 *
 * @returns one aggregate for each member, in their order; a member without data has an empty one
 */
export async function aggregates(
  db: ClientDb,
  members: readonly Member[],
  period: Period,
  columns: readonly FactColumn[],
): Promise<ProfileAggregate[]> {
  const wanted = new Set(columns)
  const result = new Map(members.map((member) => [member.profile, emptyAggregate(member)]))
  const profiles = members.map(({ profile }) => profile)
  await Promise.all([
    addFlows(
      db,
      result,
      profiles,
      period,
      FLOW_COLUMNS.filter((column) => wanted.has(column)),
    ),
    STOCK_COLUMNS.some((column) => wanted.has(column)) && addStocks(db, result, profiles, period),
  ])
  return [...result.values()]
}

type Row = Record<string, number | null> & { profile_id: number }

async function addFlows(
  db: ClientDb,
  result: Map<number, ProfileAggregate>,
  profiles: number[],
  period: Period,
  columns: FlowColumn[],
): Promise<void> {
  if (columns.length === 0) return
  const names = columns.map((column) => ({ column, sumOf: `sum_${column}`, countOf: `count_${column}` }))
  // in floating point, which holds counts exactly and is added up faster than numbers digit by digit
  const summed = names.map(
    ({ column, sumOf, countOf }) => `SUM(${column} + 0e0) AS ${sumOf}, COUNT(${column}) AS ${countOf}`,
  )
  const rows = await db.rows<Row>(sql`
    SELECT   profile_id, ${raw(summed.join(', '))}
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY profile_id`)
  for (const row of rows) {
    const aggregate = result.get(row.profile_id)!
    for (const { column, sumOf, countOf } of names) {
      const count = row[countOf]!
      if (count === 0) continue
      aggregate.sums[column] = row[sumOf]!
      aggregate.counts[column] = count
    }
  }
}

async function addStocks(
  db: ClientDb,
  result: Map<number, ProfileAggregate>,
  profiles: number[],
  { to }: Period,
): Promise<void> {
  const rows = await db.rows<{ profile_id: number; day: string; followers: number }>(sql`
    SELECT   profile_id, day, followers
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${addDays(to, -STOCK_AGE_DAYS)} AND ${to}
    AND      followers IS NOT NULL
    ORDER BY profile_id, day`)
  for (const { profile_id: profile, day, followers } of rows)
    result.get(profile)!.stocks.followers = { day, value: followers }
}

/** The rows of profiles over one or two periods, as a fact table. */
export const facts = async (
  db: ClientDb,
  profiles: readonly number[],
  periods: readonly Period[],
  columns: readonly FactColumn[] = FACT_COLUMNS,
): Promise<FactTable> => factTable(await factRows(db, profiles, periods, columns))

/** The rows of profiles over one or two periods. */
export const factRows = (
  db: ClientDb,
  profiles: readonly number[],
  [first, second = first]: readonly Period[],
  columns: readonly FactColumn[],
): Promise<ProfileDay[]> =>
  db.rows<ProfileDay>(sql`
    SELECT   profile_id AS profile, day, ${raw(columns.join(', '))}
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      (day BETWEEN ${first!.from} AND ${first!.to} OR day BETWEEN ${second!.from} AND ${second!.to})`)

/** The days on which a profile has a value in every one of the columns. */
export async function daysPresent(
  db: ClientDb,
  profile: number,
  period: Period,
  columns: readonly FactColumn[],
): Promise<string[]> {
  const rows = await db.rows<{ day: string }>(sql`
    SELECT   day
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id = ${profile}
    AND      day BETWEEN ${period.from} AND ${period.to}
    AND      ${raw(columns.length === 0 ? '1 = 1' : columns.map((column) => `${column} IS NOT NULL`).join(' AND '))}`)
  return rows.map(({ day }) => day)
}
