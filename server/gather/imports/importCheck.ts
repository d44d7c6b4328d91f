import type { Mapping } from '../../../core/imports/rowReader'
import { LONGEST_CELL } from '../../../core/imports/rowReader'
import type { ImportSummary } from '../../../shared/gather/imports'
import { datasetById } from '../../../core/datasets/datasets'
import { rowKey } from '../../../core/datasets/dataset'
import { readerFor, withoutPost, withPartNumbers, type GoodRow } from './batches'
import { isSame, storedRows } from '../../figures/questions/storedRows'
import { rowBatches, type FileRow } from './rows'
import { importById, moveTo } from './store'
import { signatureOf } from './upload'
import { sql } from '../../platform/database/sql'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { importFailed } from './importFailed'
import { IMPORT_CHECK } from './jobs'

const BATCH_ROWS = 5000
/** No more bad rows than these are kept, nor more letters of them; the rest are counted. */
export const BAD_ROWS_KEPT = 10_000
const BAD_LETTERS_KEPT = 20_000_000
const SHOWN_OF_LONG = 200

interface BadRow {
  line: number
  cells: string[]
  reason: string
}

/** Reads a whole file and says what writing it would do. Writes only the list of bad rows; begun anew after a crash. */
export async function importCheck(context: JobContext): Promise<void> {
  const { db, job } = context
  const id = Number(job.subject)
  const view = await importById(db, id)
  const dataset = datasetById(view.dataset)
  const read = await readerFor(db, view)
  await context.step((inside) =>
    inside.run(sql`DELETE FROM import_bad_row WHERE client_id = ${inside.client} AND import_id = ${id}`),
  )
  const summary: ImportSummary = {
    rows: 0,
    good: 0,
    bad: 0,
    totals: 0,
    added: 0,
    changed: 0,
    same: 0,
    from: null,
    to: null,
    profiles: 0,
    openLine: null,
  }
  const profiles = new Set<number>()
  let bytes = 0
  let letters = 0
  // rows of totals are those with which the file ends: what is followed by another row is a bad row
  let totals: BadRow[] = []
  for await (const batch of rowBatches(db, id, view.layout!, BATCH_ROWS, (more) => (bytes += more))) {
    let good: GoodRow[] = []
    const sources = new Map<GoodRow, FileRow>()
    const bad: BadRow[] = []
    for (const { line, cells, isOpen } of batch) {
      summary.rows++
      const row = read(cells, line, isOpen)
      if (row.kind === 'totals') {
        totals.push({ line, cells, reason: row.reason })
        continue
      }
      bad.push(...totals)
      totals = []
      if (row.kind === 'bad') bad.push({ line, cells, reason: row.reason })
      else {
        good.push(row)
        sources.set(row, { line, cells })
        if (isOpen) summary.openLine = line
      }
    }
    const lost = await withoutPost(db, dataset, good)
    for (const row of lost)
      bad.push({
        ...sources.get(row)!,
        reason: `There is no post of that profile with the id "${row.keys[1]}"; import the posts before their lives`,
      })
    good = good.filter((row) => !lost.has(row))
    const kept = bad.filter(({ cells }, index) => {
      letters += cells.reduce((sum, { length }) => sum + Math.min(length, LONGEST_CELL), 0)
      return summary.bad + index < BAD_ROWS_KEPT && letters < BAD_LETTERS_KEPT
    })
    summary.bad += bad.length
    const numbered = await withPartNumbers(db, dataset, good, false)
    const stored = await storedRows(
      db,
      dataset,
      numbered.map(({ keys }) => keys),
      false,
    )
    for (const row of numbered) {
      const before = stored.get(rowKey(row.keys))
      profiles.add(row.profile)
      summary.good++
      if (!before) summary.added++
      else if (isSame(row.values, before)) summary.same++
      else summary.changed++
      if (summary.from === null || row.day < summary.from) summary.from = row.day
      if (summary.to === null || row.day > summary.to) summary.to = row.day
    }
    await context.step(
      (inside) =>
        inside.insertRows(
          'import_bad_row',
          ['import_id', 'line', 'reason', 'cells'],
          kept.map(({ line, reason, cells }) => [id, line, reason.slice(0, 400), JSON.stringify(cells.map(shown))]),
          ['reason'],
        ),
      () => ({
        done: bytes,
        total: view.bytes,
        message: `${summary.rows.toLocaleString('en')} rows read`,
      }),
    )
  }
  summary.totals = totals.length
  summary.profiles = profiles.size
  await context.finish(
    async (inside) => {
      await inside.run(
        sql`UPDATE import SET summary = ${JSON.stringify(summary)} WHERE client_id = ${inside.client} AND import_id = ${id}`,
      )
      await moveTo(inside, id, ['checking'], 'checked')
      // a matching under which no row could be read is not worth remembering
      if (summary.good === 0) return
      const mapping = JSON.stringify(view.mapping as Mapping)
      await inside.run(sql`
      INSERT INTO import_memory (client_id, signature, mapping)
      VALUES (${inside.client}, ${signatureOf(view.layout!)}, ${mapping})
      ON DUPLICATE KEY UPDATE mapping = VALUES(mapping)`)
    },
    `${summary.rows.toLocaleString('en')} rows checked`,
  )
}

/** A cell as it is kept with a bad row: of one that is too long, the beginning. */
const shown = (cell: string): string => (cell.length > LONGEST_CELL ? `${cell.slice(0, SHOWN_OF_LONG)} …` : cell)

export const importCheckJob = jobModule(IMPORT_CHECK, importCheck, importFailed)
