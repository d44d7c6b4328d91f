import { hasBit } from '../../../core/datasets/columnBits'
import { keysOf, rowKey, valueColumns, type Dataset } from '../../../core/datasets/dataset'
import { DATASETS } from '../../../core/datasets/datasets'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { among, storedRows, type Keys, type StoredRow, type Values } from '../../figures/questions/storedRows'

interface RecordRow {
  dataset: string
  row_key: string
  existed: number
  /** Which columns the import has written; all of them where that was not kept. */
  written: number | null
  previous: string | null
  previous_import: number | null
}

/**
 * Brings back what stood there before an import, the next few rows of it, and crosses them off. Only what the import
 * has written is touched, and only where no other import has written since: what a network has given meanwhile stays.
 *
 * @returns how many rows were looked at; 0 when nothing is left
 */
export async function restoreRows(db: ClientDb, importId: number, most: number): Promise<number> {
  const records = await db.rows<RecordRow>(sql`
    SELECT   dataset, row_key, existed, written, previous, previous_import
    FROM     import_record
    WHERE    client_id = ${db.client}
    AND      import_id = ${importId}
    ORDER BY dataset, row_key
    LIMIT    ${most}`)
  for (const dataset of DATASETS) {
    const own = records.filter((record) => record.dataset === dataset.id)
    if (own.length > 0) await restoreOf(db, importId, dataset, own)
  }
  const last = records.at(-1)
  if (last)
    await db.run(sql`
      DELETE FROM import_record
      WHERE  client_id = ${db.client}
      AND    import_id = ${importId}
      AND    (dataset < ${last.dataset} OR (dataset = ${last.dataset} AND row_key <= ${last.row_key}))`)
  return records.length
}

async function restoreOf(db: ClientDb, importId: number, dataset: Dataset, records: readonly RecordRow[]) {
  const stored = await storedRows(
    db,
    dataset,
    records.map(({ row_key: key }) => keysOf(key)),
    true,
  )
  const columns = valueColumns(dataset)
  const texts = new Set(dataset.texts.map(({ column }) => column))
  const instants = new Set(dataset.texts.flatMap(({ column, type }) => (type === 'instant' ? [column] : [])))
  const restored: { keys: Keys; values: Values; importId: number | null; imported: number; changedAt: Date }[] = []
  const gone: Keys[] = []
  for (const record of records) {
    const keys = keysOf(record.row_key)
    const row: StoredRow | undefined = stored.get(rowKey(keys))
    if (row?.import_id !== importId) continue
    const isWritten = (column: string) => record.written === null || hasBit(dataset, record.written, column)
    if (record.existed) {
      const before = JSON.parse(record.previous!) as Record<string, never>
      restored.push({
        keys,
        values: Object.fromEntries(
          columns.map((column) => [
            column,
            // a column that came after the import was kept is none of its
            !isWritten(column) || !(column in before)
              ? row[column]
              : instants.has(column) && before[column]
                ? new Date(before[column])
                : before[column],
          ]),
        ),
        importId: record.previous_import,
        imported: before.imported!,
        changedAt: new Date(before.changed_at!),
      })
      continue
    }
    // a row that the import has made goes, unless a network has since said something of it that the file did not
    const values = Object.fromEntries(
      columns.map((column) => [column, isWritten(column) && !texts.has(column) ? null : row[column]]),
    )
    if (dataset.measures.every(({ column }) => values[column] === null)) gone.push(keys)
    else restored.push({ keys, values, importId: null, imported: 0, changedAt: row.changed_at })
  }
  const names = dataset.keys.map(({ column }) => column)
  const provenance = ['import_id', 'imported', 'changed_at']
  await db.insertRows(
    dataset.id,
    [...names, ...columns, ...provenance],
    restored.map((row) => [
      ...row.keys,
      ...columns.map((column) => row.values[column]),
      row.importId,
      row.imported,
      row.changedAt,
    ]),
    [...columns, ...provenance],
  )
  if (gone.length > 0)
    await db.run(sql`
      DELETE FROM ${raw(dataset.id)}
      WHERE  client_id = ${db.client}
      AND    import_id = ${importId}
      AND    ${among(dataset, gone)}
      AND    (${raw(names.join(', '))}) IN (${gone})`)
}
