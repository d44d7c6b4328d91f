import { bitOf } from '../../../core/metrics/columnBits'
import { FACT_COLUMNS } from '../../../core/metrics/metric'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { laterImport, moveTo } from './store'
import { JobFailed, type JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { importFailed } from './importFailed'
import { IMPORT_UNDO } from './jobs'

const BATCH_ROWS = 5000
/**
 * More days than any import has: what is left of them is counted down from here, so that the work is known to get
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
      `“${later.fileName}” was imported later and changed ${later.days} of the same days. Undo that import first.`,
    )
  }
  const { count: total } = (await db.one<{ count: number }>(
    sql`SELECT COUNT(*) AS count FROM import_before WHERE client_id = ${db.client} AND import_id = ${id}`,
  ))!
  let done = 0
  for (;;) {
    const restored = await context.step(
      (inside) => restoreBatch(inside, id),
      (count) => ({
        done: (done += count),
        total,
        mark: MANY - total + done,
        message: `${done.toLocaleString('en')} days brought back`,
      }),
    )
    if (restored === 0) break
  }
  await context.finish(
    async (inside) => {
      await moveTo(inside, id, ['undoing'], 'undone')
      await inside.run(sql`UPDATE import SET applied_rows = 0 WHERE client_id = ${inside.client} AND import_id = ${id}`)
    },
    `${done.toLocaleString('en')} days brought back`,
  )
}

/**
 * Imports of before this was kept have written every figure of their matching: a figure that they left alone is the
 * same before and after.
 */
const RESTORED = raw(
  FACT_COLUMNS.map(
    (column) => `d.${column} = IF(b.written IS NULL OR b.written & ${bitOf(column)}, b.${column}, d.${column})`,
  ).join(', '),
)
const EMPTIED = raw(
  FACT_COLUMNS.map(
    (column) => `d.${column} = IF(b.written IS NULL OR b.written & ${bitOf(column)}, NULL, d.${column})`,
  ).join(', '),
)
const EMPTY = raw(FACT_COLUMNS.map((column) => `d.${column} IS NULL`).join(' AND '))

async function restoreBatch(db: ClientDb, id: number): Promise<number> {
  const keys = await db.rows<{ profile_id: number; day: string }>(sql`
    SELECT   profile_id, day
    FROM     import_before
    WHERE    client_id = ${db.client}
    AND      import_id = ${id}
    ORDER BY profile_id, day
    LIMIT    ${BATCH_ROWS}`)
  const last = keys.at(-1)
  if (!last) return 0
  const upToLast = sql`client_id = ${db.client} AND import_id = ${id}
    AND (profile_id < ${last.profile_id} OR (profile_id = ${last.profile_id} AND day <= ${last.day}))`
  const joined = sql`profile_day d JOIN (SELECT * FROM import_before
    WHERE ${upToLast}) b ON d.client_id = b.client_id AND d.profile_id = b.profile_id AND d.day = b.day`
  await db.run(
    sql`UPDATE ${joined}
      SET ${RESTORED}, d.import_id = b.previous_import, d.imported = b.previous_imported, d.changed_at = b.changed_at
      WHERE d.import_id = ${id} AND b.existed = 1`,
  )
  await db.run(sql`UPDATE ${joined} SET ${EMPTIED}, d.imported = 0 WHERE d.import_id = ${id} AND b.existed = 0`)
  await db.run(sql`DELETE d FROM ${joined} WHERE d.import_id = ${id} AND b.existed = 0 AND ${EMPTY}`)
  await db.run(sql`UPDATE ${joined} SET d.import_id = NULL WHERE d.import_id = ${id} AND b.existed = 0`)
  await db.run(sql`DELETE FROM import_before WHERE ${upToLast}`)
  return keys.length
}

export const importUndoJob = jobModule(IMPORT_UNDO, importUndo, importFailed)
