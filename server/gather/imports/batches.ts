import type { Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { FACT_COLUMNS, type FactColumn } from '../../../core/metrics/metric'
import { rowReader, type KnownProfile, type Mapping, type ReadRow } from '../../../core/imports/rowReader'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { profilesOf } from '../../figures/questions/profiles'
import { raw, sql } from '../../platform/database/sql'
import type { ImportView } from '../../../shared/gather/imports'

/** A row that can be written. */
export type GoodRow = Extract<ReadRow, { kind: 'good' }>

/** A stored day, as far as an import needs it. */
export type StoredDay = {
  profile_id: number
  day: Day
  import_id: number | null
  imported: number
  changed_at: Date
} & Record<FactColumn, number | null>

/** The figures that a mapping writes. */
export const mappedColumns = ({ targets }: Mapping): FactColumn[] =>
  FACT_COLUMNS.filter((column) => targets.includes(column))

/** The client's profiles, as far as a row can name them. */
export const knownProfiles = async (db: ClientDb): Promise<KnownProfile[]> =>
  (await profilesOf(db)).map((row) => ({
    profile: row.profile_id,
    remoteId: row.remote_id,
    handle: row.handle,
    name: row.name,
  }))

/** The function that reads the rows of an import. */
export async function readerFor(
  db: ClientDb,
  view: ImportView,
): Promise<(cells: readonly string[], line: number, isCutOff?: boolean) => ReadRow> {
  const mapping = view.mapping as Mapping
  return rowReader(
    view.layout!.headings,
    mapping,
    await knownProfiles(db),
    lastCompleteDay(now(), db.timeZone),
    view.layout!.dateSigns?.[mapping.targets.indexOf('day')],
  )
}

/** What is stored for the days of some rows, by profile and day. */
export async function storedFor(
  db: ClientDb,
  rows: readonly GoodRow[],
  forUpdate: boolean,
): Promise<Map<string, StoredDay>> {
  if (rows.length === 0) return new Map()
  const days = rows.map(({ day }) => day).sort()
  const profiles = [...new Set(rows.map(({ profile }) => profile))]
  const stored = await db.rows<StoredDay>(sql`
    SELECT *
    FROM   profile_day
    WHERE  client_id = ${db.client}
    AND    profile_id IN (${profiles})
    AND    day BETWEEN ${days[0]} AND ${days.at(-1)}
    ${raw(forUpdate ? 'FOR UPDATE' : '')}`)
  return new Map(stored.map((row) => [keyOf(row.profile_id, row.day), row]))
}

export const keyOf = (profile: number, day: Day): string => `${profile} ${day}`

/** Whether a row would change nothing that is stored. */
export const isSame = (row: GoodRow, stored: StoredDay | undefined): boolean =>
  stored !== undefined && Object.entries(row.values).every(([column, value]) => stored[column as FactColumn] === value)
