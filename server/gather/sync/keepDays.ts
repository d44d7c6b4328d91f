import type { Day } from '../../../core/days/day'
import { hasBit } from '../../../core/datasets/columnBits'
import { PROFILE_DAY } from '../../../core/datasets/datasets'
import { FACT_COLUMNS, type FactColumn } from '../../../core/metrics/storedFigures'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import type { DaysPage } from '../connectors/connector'

type StoredDay = { day: Day; imported: number } & Record<FactColumn, number | null>

/**
 * Keeps a page of days. A figure that was imported stands; a figure that the network restates replaces the old one, and
 * the change is kept.
 *
 * @returns how many days were restated
 */
export async function keepDays(db: ClientDb, profileId: number, { data }: Pick<DaysPage, 'data'>): Promise<number> {
  if (data.length === 0) return 0
  const stored = await db.rows<StoredDay>(sql`
    SELECT day, imported, ${raw(FACT_COLUMNS.join(', '))}
    FROM   profile_day
    WHERE  client_id = ${db.client}
    AND    profile_id = ${profileId}
    AND    day BETWEEN ${data[0]!.day} AND ${data.at(-1)!.day}
    FOR UPDATE`)
  const before = new Map(stored.map((row) => [row.day, row]))
  const seenAt = new Date()
  const rows: unknown[][] = []
  const restated: unknown[][] = []
  for (const given of data) {
    const old = before.get(given.day)
    const values = FACT_COLUMNS.map((column) => {
      const kept = old?.[column] ?? null
      return old && kept !== null && hasBit(PROFILE_DAY, old.imported, column) ? kept : (given[column] ?? kept)
    })
    if (old && FACT_COLUMNS.every((column, index) => (old[column] ?? null) === values[index])) continue
    rows.push([profileId, given.day, ...values, seenAt])
    FACT_COLUMNS.forEach((column, index) => {
      const was = old?.[column] ?? null
      if (was !== null && was !== values[index]) restated.push([profileId, given.day, column, was, values[index]])
    })
  }
  await db.insertRows('profile_day', ['profile_id', 'day', ...FACT_COLUMNS, 'changed_at'], rows, [
    ...FACT_COLUMNS,
    'changed_at',
  ])
  await db.insertRows('restatement', ['profile_id', 'day', 'metric', 'old_value', 'new_value'], restated)
  return new Set(restated.map(([, day]) => day)).size
}
