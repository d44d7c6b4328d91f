import type { ImportSummary } from '../../shared/imports'
import { isSame, keyOf, readerFor, storedFor, type GoodRow } from '../imports/batches'
import { rowBatches } from '../imports/rows'
import { importById, moveTo } from '../imports/store'
import { sql } from '../db/sql'
import { JobFailed, type JobContext } from './context'

const BATCH_ROWS = 5000
/** No more bad rows than these are kept; the rest are counted. */
export const BAD_ROWS_KEPT = 10_000

/** Reads a whole file and says what writing it would do. Writes only the list of bad rows; begun anew after a crash. */
export async function importCheck(context: JobContext): Promise<void> {
  const { db, job } = context
  const id = Number(job.subject)
  const view = await importById(db, id)
  const read = await readerFor(db, view)
  await context.step((inside) => inside.run(sql`DELETE FROM import_bad_row WHERE client_id = ${inside.client} AND import_id = ${id}`))
  const summary: ImportSummary = { rows: 0, good: 0, bad: 0, totals: 0, added: 0, changed: 0, same: 0, from: null, to: null, profiles: 0 }
  const profiles = new Set<number>()
  let bytes = 0
  try {
    for await (const batch of rowBatches(db, id, view.layout, BATCH_ROWS, (more) => (bytes += more))) {
      const good: GoodRow[] = []
      const bad: unknown[][] = []
      for (const { line, cells } of batch) {
        summary.rows++
        const row = read(cells, line)
        if (row.kind === 'totals') summary.totals++
        else if (row.kind === 'good') good.push(row)
        else if (++summary.bad <= BAD_ROWS_KEPT) bad.push([id, line, row.reason.slice(0, 400), JSON.stringify(cells)])
      }
      const stored = await storedFor(db, good, false)
      for (const row of good) {
        const before = stored.get(keyOf(row.profile, row.day))
        profiles.add(row.profile)
        summary.good++
        if (!before) summary.added++
        else if (isSame(row, before)) summary.same++
        else summary.changed++
        if (summary.from === null || row.day < summary.from) summary.from = row.day
        if (summary.to === null || row.day > summary.to) summary.to = row.day
      }
      await context.step((inside) => inside.insertRows('import_bad_row', ['import_id', 'line', 'reason', 'cells'], bad, ['reason']), () => ({
        done: bytes, total: view.bytes, message: `${summary.rows.toLocaleString('en')} rows read`,
      }))
    }
  } catch (error) {
    if ((error as { code?: string }).code?.startsWith('CSV_')) throw new JobFailed(`The file cannot be read as a table: ${(error as Error).message}`)
    throw error
  }
  summary.profiles = profiles.size
  await context.finish(async (inside) => {
    await inside.run(sql`UPDATE import SET summary = ${JSON.stringify(summary)} WHERE client_id = ${inside.client} AND import_id = ${id}`)
    await moveTo(inside, id, ['checking'], 'checked')
  }, `${summary.rows.toLocaleString('en')} rows checked`)
}
