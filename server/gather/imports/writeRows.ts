import { bitsOf, hasBit } from '../../../core/datasets/columnBits'
import { rowKey, valueColumns, type Dataset } from '../../../core/datasets/dataset'
import type { ClientDb } from '../../platform/database/clientDb'
import { isSame, storedRows, type Keys, type Values } from '../../figures/questions/storedRows'

/** A row that can be written: what it is of, and what it says. */
export interface WritableRow {
  keys: Keys
  values: Values
}

/**
 * Writes rows of an import into a dataset. What stood there before is kept beside, row by row and whatever the dataset,
 * in the same transaction: an undo brings back exactly that. Rows that would change nothing are left alone.
 *
 * @param columns  those that the file has
 */
export async function writeRows(
  db: ClientDb,
  importId: number,
  dataset: Dataset,
  rows: readonly WritableRow[],
  columns: readonly string[],
): Promise<void> {
  const stored = await storedRows(
    db,
    dataset,
    rows.map(({ keys }) => keys),
    true,
  )
  const changed = rows.flatMap(({ keys, values }) => {
    const key = rowKey(keys)
    const before = stored.get(key)
    return isSame(values, before) ? [] : [{ key, keys, values, before }]
  })
  const all = valueColumns(dataset)
  const usual = new Map(dataset.texts.map(({ column, usual: text }) => [column, text]))
  const bitsOfRow = (values: Values) =>
    bitsOf(
      dataset,
      columns.filter((column) => values[column] !== undefined),
    )
  await db.insertRows(
    'import_record',
    ['import_id', 'dataset', 'row_key', 'existed', 'written', 'previous', 'previous_import'],
    changed.map(({ key, values, before }) => [
      importId,
      dataset.id,
      key,
      before ? 1 : 0,
      bitsOfRow(values),
      before
        ? JSON.stringify({
            imported: before.imported,
            changed_at: before.changed_at,
            ...Object.fromEntries(all.map((column) => [column, before[column]])),
          })
        : null,
      before?.import_id ?? null,
    ]),
  )
  const writtenAt = new Date()
  await db.insertRows(
    dataset.id,
    [...dataset.keys.map(({ column }) => column), ...columns, 'import_id', 'imported', 'changed_at'],
    changed.map(({ keys, values, before }) => [
      ...keys,
      ...columns.map((column) => values[column] ?? before?.[column] ?? usual.get(column) ?? null),
      importId,
      before
        ? bitsOf(
            dataset,
            all.filter((column) => values[column] !== undefined || hasBit(dataset, before.imported, column)),
          )
        : bitsOfRow(values),
      writtenAt,
    ]),
    [...columns, 'import_id', 'imported', 'changed_at'],
  )
}
