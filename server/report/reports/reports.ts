import { parseWho } from '../../../shared/figures/scope'
import { asKept, LONGEST_TITLE, type Block } from '../../../shared/report/blocks'
import type { ReportInput, ReportHead, Report } from '../../../shared/report/reports'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { conflict, notFound } from '../../platform/problems/problem'
import { refuseForeignProfiles } from '../../figures/refuseForeignProfiles'

const blocksOf = (text: string): Block[] => (JSON.parse(text) as Block[]).map(asKept)

const EDITIONS = raw(
  '(SELECT COUNT(*) FROM edition e WHERE e.client_id = r.client_id AND e.report_id = r.report_id) AS editions',
)

/** The reports of a client, by title. */
export const reportsOf = (db: ClientDb): Promise<ReportHead[]> =>
  db.rows<ReportHead>(sql`
  SELECT   r.report_id AS id, r.title, r.period, r.against, JSON_LENGTH(r.blocks) AS blocks, r.version,
           r.changed_at AS changedAt, ${EDITIONS}
  FROM     report r
  WHERE    r.client_id = ${db.client}
  AND      r.removed_at IS NULL
  ORDER BY r.title, r.report_id`)

/** One report, or Problem 404. */
export async function reportById(db: ClientDb, id: number): Promise<Report> {
  const row = await db.one<Omit<Report, 'blocks'> & { blocks: string }>(sql`
    SELECT r.report_id AS id, r.title, r.period, r.against, r.blocks, r.version, r.changed_at AS changedAt, ${EDITIONS}
    FROM   report r
    WHERE  r.client_id = ${db.client}
    AND    r.report_id = ${id}
    AND    r.removed_at IS NULL`)
  if (!row) throw notFound('report')
  return { ...row, blocks: blocksOf(row.blocks) }
}

/** Refuses blocks of profiles that are not the client's own. */
const refuseForeignBlocks = (db: ClientDb, blocks: readonly Block[]): Promise<void> =>
  refuseForeignProfiles(
    db,
    blocks.flatMap(({ who }) => parseWho(who).who),
  )

/** @returns the id of a new report with the usual blocks */
export async function addReport(db: ClientDb, title: string, blocks: Block[]): Promise<number> {
  await refuseForeignBlocks(db, blocks)
  return (
    await db.run(sql`
    INSERT INTO report (client_id, title, period, against, blocks)
    VALUES (${db.client}, ${title}, 'last-28-days', 'before', ${JSON.stringify(blocks)})`)
  ).insertId
}

/**
 * Saves a report.
 *
 * @returns the new version
 * @throws  Problem 409 when somebody else has saved it since it was opened
 */
export async function saveReport(db: ClientDb, id: number, report: ReportInput): Promise<number> {
  await reportById(db, id)
  await refuseForeignBlocks(db, report.blocks)
  const { affectedRows } = await db.run(sql`
    UPDATE report
    SET    title = ${report.title}, period = ${report.period}, against = ${report.against}, blocks = ${JSON.stringify(report.blocks)},
           version = version + 1, changed_at = NOW()
    WHERE  client_id = ${db.client}
    AND    report_id = ${id}
    AND    version = ${report.version}`)
  if (affectedRows === 0)
    throw conflict(
      'Somebody else has changed this report since you opened it. Open it again to see their version; yours is still on your screen.',
    )
  return report.version + 1
}

/** Takes a report off the list or brings it back; its editions stay. */
export async function removeReport(db: ClientDb, id: number, isRemoved: boolean): Promise<void> {
  const { affectedRows } = await db.run(sql`
    UPDATE report SET removed_at = IF(${isRemoved}, NOW(), NULL) WHERE client_id = ${db.client} AND report_id = ${id}`)
  if (affectedRows === 0) throw notFound('report')
}

/** @returns the id of a report with the same blocks, period and comparison as another, under a title that says so */
export async function copyReport(db: ClientDb, id: number): Promise<number> {
  const { title, period, against, blocks } = await reportById(db, id)
  const copied = `${title.slice(0, LONGEST_TITLE - COPIED.length)}${COPIED}`
  const { insertId } = await db.run(sql`
    INSERT INTO report (client_id, title, period, against, blocks)
    VALUES (${db.client}, ${copied}, ${period}, ${against}, ${JSON.stringify(blocks)})`)
  return insertId
}
const COPIED = ', copied'
