import type { Mapping } from '../../../core/imports/rowReader'
import { sql } from '../../platform/database/sql'
import { datasetById } from '../../../core/datasets/datasets'
import { mappedColumns, readerFor, withoutPost, withPartNumbers } from './batches'
import { writeRows } from './writeRows'
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
  const dataset = datasetById(view.dataset)
  const columns = mappedColumns(dataset, view.mapping as Mapping)
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
        const lost = await withoutPost(inside, dataset, good)
        const writable = good.filter((row) => !lost.has(row))
        await writeRows(inside, id, dataset, await withPartNumbers(inside, dataset, writable, true), columns)
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

export const importApplyJob = jobModule(IMPORT_APPLY, importApply, importFailed)
