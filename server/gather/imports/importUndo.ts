import { sql } from '../../platform/database/sql'
import { laterImport, moveTo } from './store'
import { JobFailed, type JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { importFailed } from './importFailed'
import { IMPORT_UNDO } from './jobs'
import { restoreRows } from './restoreRows'

const BATCH_ROWS = 5000
/**
 * More rows than any import has: what is left of them is counted down from here, so that the work is known to get
 * further also after a crash.
 */
const MANY = 1_000_000_000

/**
 * Brings back what stood there before an import, batch by batch; what was brought back is crossed off in the same
 * transaction. Only the figures that the import has written are touched: what a network has given since stays.
 */
export async function importUndo(context: JobContext): Promise<void> {
  const { db, job } = context
  const id = Number(job.subject)
  // whoever writes this client's figures does it alone: nothing can be imported on top between this look and the last
  // batch
  const later = await laterImport(db, id)
  if (later) {
    await moveTo(db, id, ['undoing'], 'applied')
    throw new JobFailed(
      `“${later.fileName}” was imported later and changed ${later.rows} of the same rows. Undo that import first.`,
    )
  }
  const { count: total } = (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM import_record WHERE client_id = ${db.client} AND import_id = ${id}`,
  ))!
  let done = 0
  for (;;) {
    const restored = await context.step(
      (inside) => restoreRows(inside, id, BATCH_ROWS),
      (count) => ({
        done: (done += count),
        total,
        mark: MANY - total + done,
        message: `${done.toLocaleString('en')} rows brought back`,
      }),
    )
    if (restored === 0) break
  }
  await context.finish(
    async (inside) => {
      await moveTo(inside, id, ['undoing'], 'undone')
      await inside.run(sql`UPDATE import SET applied_rows = 0 WHERE client_id = ${inside.client} AND import_id = ${id}`)
    },
    `${done.toLocaleString('en')} rows brought back`,
  )
}

export const importUndoJob = jobModule(IMPORT_UNDO, importUndo, importFailed)
