import { sql } from '../../platform/database/sql'
import { replaceBySheet } from './upload'
import { readSheet } from './workbook'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { importFailed } from './importFailed'
import { IMPORT_OPEN } from './jobs'

/** Unpacks a workbook and keeps the text of its largest sheet in its place, so that everything after it reads lines. */
export async function importOpen({ db, job, finish }: JobContext): Promise<void> {
  const id = Number(job.subject)
  const chunks = await db.rows<{ content: Buffer }>(
    sql`SELECT content FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${id} ORDER BY chunk`,
  )
  const sheet = await readSheet(Buffer.concat(chunks.map(({ content }) => content)))
  await finish((inside) => replaceBySheet(inside, id, sheet), `${sheet.rows.length.toLocaleString('en')} rows opened`)
}

export const importOpenJob = jobModule(IMPORT_OPEN, importOpen, importFailed)
