import { canonicalJson } from '../../../core/reports/canonicalJson'
import type { ClientDb } from '../../platform/database/clientDb'
import { asOfNow } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { composeReport } from '../blocks/composeReport'
import type { ReportContent } from '../../../shared/report/reportContent'
import { freeze, sha256 } from '../editions/editions'
import { reportById } from '../reports/reports'
import { JobFailed, JobPostponed, type JobContext } from '../../platform/jobs/context'
import { EDITION_ISSUE, EDITION_PRINT } from '../editions/jobs'
import { jobModule, type PayloadOf } from '../../platform/jobs/job'
import { enqueue } from '../../platform/jobs/queue'

/**
 * Issues an edition. Its figures are computed first, all as of one moment and without standing in anybody's way; then
 * they are frozen in one short transaction that also ends the job, so that whatever happens there is one edition or
 * none. A wish that was fulfilled already is not fulfilled twice.
 */
async function editionIssue(
  context: JobContext,
  { reportId, requestKey, person, sha256: seen }: PayloadOf<typeof EDITION_ISSUE>,
): Promise<void> {
  const composed =
    (await editionOf(context.db, requestKey)) === undefined
      ? await asOfNow(context.db, (db) => compose(db, reportId))
      : undefined
  // what somebody has looked at is issued, and nothing else
  if (composed && seen && sha256(canonicalJson(composed.content)) !== seen)
    throw new JobFailed(
      'The figures or the report have changed since you looked at the edition, so it was not issued. Look at it again.',
    )
  await context.finish(async (db) => {
    const now = await db.one<{ version: number }>(
      sql`SELECT version FROM report WHERE client_id = ${db.client} AND report_id = ${reportId} FOR UPDATE`,
    )
    const done = await editionOf(db, requestKey)
    if (done !== undefined || !composed) return { edition: done }
    if (now?.version !== composed.version)
      throw new JobPostponed(1, 'The report was changed meanwhile; its figures are worked out again.')
    const edition = await freeze(db, reportId, requestKey, composed.content, person ?? undefined)
    await enqueue(db, EDITION_PRINT, edition, {}, person ?? undefined)
    return { edition }
  }, 'Issued')
}

export const editionIssueJob = jobModule(EDITION_ISSUE, editionIssue)

const editionOf = async (db: ClientDb, requestKey: string): Promise<number | undefined> =>
  (
    await db.one<{ id: number }>(
      sql`SELECT edition_id AS id FROM edition WHERE client_id = ${db.client} AND request_key = ${requestKey}`,
    )
  )?.id

/** What an edition says. A part that cannot be filled keeps the whole from being issued. */
async function compose(db: ClientDb, reportId: number): Promise<{ version: number; content: ReportContent }> {
  const report = await reportById(db, reportId)
  const content = await composeReport(db, report)
  const broken = content.blocks.find((block) => block.kind === 'broken')
  if (broken)
    throw new JobFailed(
      `The part “${broken.title || 'without a title'}” cannot be filled: ${broken.problem} Mend or remove it, then issue again.`,
    )
  return { version: report.version, content }
}
