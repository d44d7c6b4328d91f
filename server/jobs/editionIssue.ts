import { sql } from '../db/sql'
import { composeReport } from '../reports/content'
import { freeze } from '../reports/editions'
import { reportById } from '../reports/reports'
import { JobFailed, type JobContext } from './context'
import { enqueue } from './queue'

/**
 * Issues an edition: its figures are computed and frozen in one transaction that also ends the job, so that whatever happens there is one
 * edition or none. A wish that was fulfilled already is not fulfilled twice.
 */
export async function editionIssue(context: JobContext): Promise<void> {
  const { reportId, requestKey, person } = context.payload as { reportId: number; requestKey: string; person: number }
  await context.finish(async (db) => {
    await db.one(sql`SELECT report_id FROM report WHERE client_id = ${db.client} AND report_id = ${reportId} FOR UPDATE`)
    const done = await db.one<{ id: number }>(sql`SELECT edition_id AS id FROM edition WHERE client_id = ${db.client} AND request_key = ${requestKey}`)
    if (done) return { edition: done.id }
    const report = await reportById(db, reportId)
    const content = await composeReport(db, report).catch((error: unknown) => {
      throw error instanceof RangeError ? new JobFailed(error.message) : error
    })
    const edition = await freeze(db, reportId, requestKey, content, person)
    await enqueue(db, 'edition.print', edition, {}, person)
    return { edition }
  }, 'Issued')
}
