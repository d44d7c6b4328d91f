import type { Layout } from '../../../core/imports/layout'
import { sql } from '../../platform/database/sql'
import { replaceByRows } from './upload'
import { isJson, readJson } from './jsonFile'
import { readSheet } from '../../platform/tables/workbook'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { importFailed } from './importFailed'
import { IMPORT_OPEN } from './jobs'

/** The rows of a workbook, and which of its sheets they are. */
async function opened(file: Buffer): Promise<{ rows: string[][] } & Pick<Layout, 'sheet'>> {
  const { rows, ...sheet } = await readSheet(file)
  return { rows, sheet }
}

/** Opens a workbook or JSON and keeps its rows as lines of text in its place, so that everything after it reads lines. */
export async function importOpen({ db, job, finish }: JobContext): Promise<void> {
  const id = Number(job.subject)
  const chunks = await db.rows<{ content: Buffer }>(
    sql`SELECT content FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${id} ORDER BY chunk`,
  )
  const file = Buffer.concat(chunks.map(({ content }) => content))
  const { rows, ...of } = isJson(file) ? { rows: readJson(file), isJson: true as const } : await opened(file)
  await finish((inside) => replaceByRows(inside, id, rows, of), `${rows.length.toLocaleString('en')} rows opened`)
}

export const importOpenJob = jobModule(IMPORT_OPEN, importOpen, importFailed)
