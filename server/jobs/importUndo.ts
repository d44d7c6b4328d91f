import type { Mapping } from '../../core/imports/rowReader'
import { FACT_COLUMNS } from '../../core/metrics/metric'
import type { ClientDb } from '../db/clientDb'
import { raw, sql } from '../db/sql'
import { mappedColumns } from '../imports/batches'
import { importById, moveTo } from '../imports/store'
import type { JobContext } from './context'

const BATCH_ROWS = 5000

/** Brings back what stood there before an import, batch by batch; what was brought back is crossed off in the same transaction. */
export async function importUndo(context: JobContext): Promise<void> {
  const { db, job } = context
  const id = Number(job.subject)
  const view = await importById(db, id)
  const { count: total } = (await db.one<{ count: number }>(sql`SELECT COUNT(*) AS count FROM import_before WHERE client_id = ${db.client} AND import_id = ${id}`))!
  let done = 0
  for (;;) {
    const restored = await context.step((inside) => restoreBatch(inside, id, view.mapping as Mapping), (count) => ({ done: (done += count), total, message: `${done.toLocaleString('en')} days brought back` }))
    if (restored === 0) break
  }
  await context.finish(async (inside) => {
    await moveTo(inside, id, ['undoing'], 'undone')
    await inside.run(sql`UPDATE import SET applied_rows = 0 WHERE client_id = ${inside.client} AND import_id = ${id}`)
  }, `${done.toLocaleString('en')} days brought back`)
}

async function restoreBatch(db: ClientDb, id: number, mapping: Mapping): Promise<number> {
  const keys = await db.rows<{ profile_id: number; day: string }>(sql`
    SELECT   profile_id, day
    FROM     import_before
    WHERE    client_id = ${db.client}
    AND      import_id = ${id}
    ORDER BY profile_id, day
    LIMIT    ${BATCH_ROWS}`)
  const last = keys.at(-1)
  if (!last) return 0
  const columns = mappedColumns(mapping)
  const others = FACT_COLUMNS.filter((column) => !columns.includes(column))
  const batch = sql`SELECT b.* FROM import_before b WHERE b.client_id = ${db.client} AND b.import_id = ${id}
    AND (b.profile_id < ${last.profile_id} OR (b.profile_id = ${last.profile_id} AND b.day <= ${last.day}))`
  const joined = { text: `profile_day d JOIN (${batch.text}) b ON d.client_id = b.client_id AND d.profile_id = b.profile_id AND d.day = b.day`, values: batch.values }
  const set = (values: readonly string[]) => raw(values.join(', ')).text
  const run = (text: string) => db.run({ text, values: [...joined.values, db.clientId, id], bound: true })
  await run(`UPDATE ${joined.text}
    SET   ${set(columns.map((column) => `d.${column} = b.${column}`))}, d.import_id = b.previous_import, d.changed_at = b.changed_at
    WHERE d.client_id = ? AND d.import_id = ? AND b.existed = 1`)
  await run(`DELETE d FROM ${joined.text}
    WHERE d.client_id = ? AND d.import_id = ? AND b.existed = 0 ${others.map((column) => `AND d.${column} IS NULL`).join(' ')}`)
  await run(`UPDATE ${joined.text}
    SET   ${set(columns.map((column) => `d.${column} = NULL`))}, d.import_id = NULL
    WHERE d.client_id = ? AND d.import_id = ? AND b.existed = 0`)
  await db.run(sql`
    DELETE FROM import_before
    WHERE client_id = ${db.client} AND import_id = ${id}
    AND   (profile_id < ${last.profile_id} OR (profile_id = ${last.profile_id} AND day <= ${last.day}))`)
  return keys.length
}
