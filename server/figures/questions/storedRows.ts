import { rowKey, valueColumns, type Dataset } from '../../../core/datasets/dataset'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql, type Query } from '../../platform/database/sql'

/** What tells a row of a dataset from another, in the order of the dataset's keys. */
export type Keys = readonly (number | string)[]
export type Values = Readonly<Record<string, number | string | Date | null | undefined>>

/** A stored row of a dataset that files can write: its keys and values, and where they come from. */
export type StoredRow = Values & {
  /** The import that has written it last. */
  import_id: number | null
  /** Which of its columns files have brought. */
  imported: number
  changed_at: Date
}

/** What is stored of some rows of a dataset, by `rowKey`. */
export async function storedRows(
  db: ClientDb,
  dataset: Dataset,
  keys: readonly Keys[],
  isLocked: boolean,
): Promise<Map<string, StoredRow>> {
  if (keys.length === 0) return new Map()
  const columns = dataset.keys.map(({ column }) => column)
  const rows = await db.rows<StoredRow>(sql`
    SELECT ${raw([...columns, ...valueColumns(dataset), 'import_id', 'imported', 'changed_at'].join(', '))}
    FROM   ${raw(dataset.id)}
    WHERE  client_id = ${db.client}
    AND    ${among(dataset, keys)}
    ${raw(isLocked ? 'FOR UPDATE' : '')}`)
  return new Map(rows.map((row) => [rowKey(columns.map((column) => keyOf(row[column]))), row]))
}

/** A stored key as files and networks name it: an instant as its time in UTC. */
const keyOf = (value: unknown): number | string =>
  value instanceof Date ? value.toISOString().slice(0, 19).replace('T', ' ') : (value as number | string)

/** Those of some rows that a file has brought, by `rowKey`. */
export async function broughtByFiles(
  db: ClientDb,
  dataset: Dataset,
  keys: readonly Keys[],
): Promise<Map<string, StoredRow>> {
  if (keys.length === 0) return new Map()
  const isBrought = await db.one(sql`
    SELECT 1
    FROM   ${raw(dataset.id)}
    WHERE  client_id = ${db.client}
    AND    ${among(dataset, keys)}
    AND    import_id IS NOT NULL
    LIMIT  1`)
  if (!isBrought) return new Map()
  const rows = await storedRows(db, dataset, keys, true)
  return new Map([...rows].filter(([, row]) => row.import_id !== null))
}

/** Whether a row would change nothing that is stored. */
export const isSame = (values: Values, stored: StoredRow | undefined): boolean =>
  stored !== undefined &&
  Object.entries(values).every(
    ([column, value]) =>
      stored[column] === value ||
      (value instanceof Date && (stored[column] as unknown) instanceof Date && +value === +(stored[column] as never)),
  )

/** SQL for rows among which those with some keys are: all of these, and few more. */
export function among({ keys: columns }: Dataset, keys: readonly Keys[]): Query<false> {
  const conditions = columns.map(({ column, type }, index) => {
    const given = [...new Set(keys.map((key) => key[index]!))].sort()
    // all days between two are as many rows as are asked for, or few more; other keys are asked for one by one
    return type === 'day'
      ? sql`${raw(column)} BETWEEN ${given[0]} AND ${given.at(-1)}`
      : sql`${raw(column)} IN (${given})`
  })
  return conditions.reduce((all, one) => sql`${all} AND ${one}`)
}
