import { bitsOf, hasBit } from '../../../core/metrics/columnBits'
import { FACT_COLUMNS } from '../../../core/metrics/metric'
import type { Mapping } from '../../../core/imports/rowReader'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { isSame, keyOf, mappedColumns, readerFor, storedFor, type GoodRow } from './batches'
import { rowBatches } from './rows'
import { importById, moveTo } from './store'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { importFailed } from './importFailed'
import { IMPORT_APPLY } from './jobs'

const BATCH_ROWS = 5000

/**
 * Writes the good rows of a checked file. What stood there before is kept beside, row by row, in the same transaction
 * as the new figures and the progress: after a crash it goes on with the next batch, and an undo brings back exactly
 * what was there.
 */
export async function importApply(context: JobContext): Promise<void> {
  const { db, job } = context
  const id = Number(job.subject)
  const view = await importById(db, id)
  const read = await readerFor(db, view)
  const columns = mappedColumns(view.mapping as Mapping)
  let bytes = 0
  let rows = 0
  for await (const batch of rowBatches(db, id, view.layout!, BATCH_ROWS, (more) => (bytes += more))) {
    const good = batch.flatMap(({ line, cells, isOpen }) => {
      const row = read(cells, line, isOpen)
      return row.kind === 'good' ? [row] : []
    })
    rows += batch.length
    if (rows <= view.appliedRows) continue
    await context.step(
      async (inside) => {
        await writeRows(inside, id, good, columns)
        await inside.run(
          sql`UPDATE import SET applied_rows = ${rows} WHERE client_id = ${inside.client} AND import_id = ${id}`,
        )
      },
      () => ({ done: bytes, total: view.bytes, message: `${rows.toLocaleString('en')} rows written` }),
    )
  }
  await context.finish(
    (inside) => moveTo(inside, id, ['applying'], 'applied'),
    `${rows.toLocaleString('en')} rows written`,
  )
}

async function writeRows(
  db: ClientDb,
  id: number,
  good: readonly GoodRow[],
  columns: readonly (typeof FACT_COLUMNS)[number][],
): Promise<void> {
  const stored = await storedFor(db, good, true)
  const changed = good.filter((row) => !isSame(row, stored.get(keyOf(row.profile, row.day))))
  const fresh = changed.filter((row) => !stored.has(keyOf(row.profile, row.day)))
  const over = changed.flatMap((row) => {
    const before = stored.get(keyOf(row.profile, row.day))
    return before ? [{ row, before }] : []
  })
  const written = (row: GoodRow) => bitsOf(columns.filter((column) => row.values[column] !== undefined))
  await db.insertRows(
    'import_before',
    ['import_id', 'profile_id', 'day', 'existed', 'written'],
    fresh.map((row) => [id, row.profile, row.day, 0, written(row)]),
  )
  await db.insertRows(
    'import_before',
    [
      'import_id',
      'profile_id',
      'day',
      'existed',
      'written',
      ...FACT_COLUMNS,
      'previous_import',
      'previous_imported',
      'changed_at',
    ],
    over.map(({ row, before }) => [
      id,
      row.profile,
      row.day,
      1,
      written(row),
      ...FACT_COLUMNS.map((column) => before[column]),
      before.import_id,
      before.imported,
      before.changed_at,
    ]),
  )
  await db.insertRows(
    'profile_day',
    ['profile_id', 'day', ...columns, 'import_id', 'imported', 'changed_at'],
    changed.map((row) => {
      const before = stored.get(keyOf(row.profile, row.day))
      const imported = bitsOf(
        FACT_COLUMNS.filter(
          (column) => row.values[column] !== undefined || (before && hasBit(before.imported, column)),
        ),
      )
      return [
        row.profile,
        row.day,
        ...columns.map((column) => row.values[column] ?? before?.[column] ?? null),
        id,
        imported,
        new Date(),
      ]
    }),
    [...columns, 'import_id', 'imported', 'changed_at'],
  )
}

export const importApplyJob = jobModule(IMPORT_APPLY, importApply, importFailed)
