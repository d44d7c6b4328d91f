import { datasetById, PROFILE_DAY } from '../../../core/datasets/datasets'
import type { Mapping } from '../../../core/imports/rowReader'
import { Unreadable } from '../../../core/unreadable'
import { badRequest, conflict, notFound } from '../../platform/problems/problem'
import type { BadRow, ImportState, ImportView, ImportHead } from '../../../shared/gather/imports'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { enqueue } from '../../platform/jobs/queue'
import { siteNames } from '../../figures/questions/siteNames'
import { knownProfiles, readerFor } from './batches'
import { IMPORT_APPLY, IMPORT_CHECK, IMPORT_UNDO } from './jobs'

interface HeadRow extends Omit<ImportHead, 'summary' | 'hasWritten'> {
  hasWritten: number
  summary: string | null
}

const COLUMNS =
  raw(`i.import_id AS id, i.file_name AS fileName, i.dataset, i.bytes, i.state, i.summary, i.created_at AS createdAt,
           i.applied_at AS appliedAt, i.applied_rows AS appliedRows, p.name AS createdBy,
  EXISTS (SELECT 1 FROM import_record b WHERE b.client_id = i.client_id AND b.import_id = i.import_id) AS hasWritten`)
const read = (text: string | null) => (text === null ? null : JSON.parse(text))
const toHead = (row: HeadRow): ImportHead => ({ ...row, hasWritten: row.hasWritten === 1, summary: read(row.summary) })

/** The imports of a client, the newest first. */
export async function importsOf(db: ClientDb): Promise<ImportHead[]> {
  return (
    await db.rows<HeadRow>(sql`
    SELECT    ${COLUMNS}
    FROM      import i
    LEFT JOIN person p ON p.person_id = i.created_by
    WHERE     i.client_id = ${db.client}
    ORDER BY  i.import_id DESC`)
  ).map(toHead)
}

/** One import, or Problem 404. */
export async function importById(db: ClientDb, id: number): Promise<ImportView> {
  const row = await db.one<HeadRow & { layout: string; mapping: string | null }>(sql`
    SELECT    ${COLUMNS}, i.layout, i.mapping
    FROM      import i
    LEFT JOIN person p ON p.person_id = i.created_by
    WHERE     i.client_id = ${db.client}
    AND       i.import_id = ${id}`)
  if (!row) throw notFound('import')
  return { ...toHead(row), layout: row.layout === '{}' ? null : read(row.layout), mapping: read(row.mapping) }
}

/** Goes from one state to the next, only from those given: two people who press a button at once do it once. */
export async function moveTo(
  db: ClientDb,
  id: number,
  from: readonly ImportState[],
  to: ImportState,
): Promise<boolean> {
  const { affectedRows } = await db.run(sql`
    UPDATE import SET state = ${to}, applied_at = IF(${to} = 'applied', NOW(), applied_at)
    WHERE client_id = ${db.client} AND import_id = ${id} AND state IN (${from})`)
  return affectedRows === 1
}

/** Takes the matching of columns and has the whole file checked. Nothing is written to the figures. */
export async function startCheck(db: ClientDb, id: number, mapping: Mapping, person: number): Promise<number> {
  const view = await importById(db, id)
  const { layout } = view
  if (!layout) throw conflict('The file has not been opened yet. Wait for that, or remove it and bring it again.')
  if (mapping.targets.length !== layout.headings.length)
    throw badRequest('The file has another number of columns. Open the import again.')
  const profiles = await knownProfiles(db)
  if (mapping.profile !== null && !profiles.some(({ profile }) => profile === mapping.profile))
    throw badRequest('That profile is not one of this client’s. Choose one from the list.')
  const dataset = datasetById(mapping.dataset ?? PROFILE_DAY.id)
  if (mapping.site && !(await siteNames(db)).some(({ id: known }) => known === mapping.site))
    throw badRequest('That site is not one of this client’s. Choose one from the list.')
  try {
    await readerFor(db, { dataset: dataset.id, layout, mapping })
  } catch (error) {
    throw error instanceof Unreadable ? badRequest(error.message) : error
  }
  if (view.hasWritten) throw conflict('Part of this file is written already. Write the rest or undo it first.')
  return await db.transaction(async (inside) => {
    if (!(await moveTo(inside, id, ['uploaded', 'checked', 'failed'], 'checking')))
      throw conflict('This import has moved on. Open it again to see where it stands.')
    await inside.run(
      sql`UPDATE import SET mapping = ${JSON.stringify(mapping)}, dataset = ${dataset.id}, summary = NULL
          WHERE client_id = ${inside.client} AND import_id = ${id}`,
    )
    return await enqueue(inside, IMPORT_CHECK, id, {}, person)
  })
}

/** Writes a checked file into the figures. */
export async function startApply(db: ClientDb, id: number, person: number): Promise<number> {
  const view = await importById(db, id)
  if (view.state === 'checked' && view.summary?.good === 0)
    throw conflict('There is no good row to write. Mend the file and bring it again.')
  return await db.transaction(async (inside) => {
    if (
      !(await moveTo(
        inside,
        id,
        view.summary ? ['checked', 'applying', 'failed'] : ['checked', 'applying'],
        'applying',
      ))
    )
      throw conflict('Only a file that has been checked can be written. Open the import again to see where it stands.')
    return await enqueue(inside, IMPORT_APPLY, id, {}, person)
  })
}

/** Brings back what was there before an import. */
export async function startUndo(db: ClientDb, id: number, person: number): Promise<number> {
  const view = await importById(db, id)
  const later = await laterImport(db, id)
  if (later)
    throw conflict(
      `"${later.fileName}" was imported later and changed ${later.rows} of the same rows. Undo that import first.`,
      { import: later.id },
    )
  return await db.transaction(async (inside) => {
    if (
      !(await moveTo(
        inside,
        view.id,
        view.hasWritten ? ['applied', 'undoing', 'failed'] : ['applied', 'undoing'],
        'undoing',
      ))
    )
      throw conflict('Only an import that was written can be undone.')
    return await enqueue(inside, IMPORT_UNDO, id, {}, person)
  })
}

/** An import that has written over rows of another one: it has to be undone first. */
export const laterImport = (
  db: ClientDb,
  id: number,
): Promise<{ id: number; fileName: string; rows: number } | undefined> =>
  db.one(sql`
    SELECT   i.import_id AS id, i.file_name AS fileName, COUNT(*) AS \`rows\`
    FROM     import_record b
    JOIN     import i ON i.client_id = b.client_id AND i.import_id = b.import_id
    WHERE    b.client_id = ${db.client}
    AND      b.previous_import = ${id}
    GROUP BY i.import_id
    ORDER BY i.import_id DESC
    LIMIT    1`)

/** Removes a file of which nothing is written. */
export async function removeImport(db: ClientDb, id: number): Promise<void> {
  const { affectedRows } = await db.run(sql`
    DELETE FROM import WHERE client_id = ${db.client} AND import_id = ${id}
    AND state IN ('uploading', 'uploaded', 'checked', 'failed', 'undone')
    AND NOT EXISTS (SELECT 1 FROM import_record b WHERE b.client_id = ${db.client} AND b.import_id = ${id})`)
  if (affectedRows === 0) throw conflict('Only a file of which nothing is written can be removed.')
}

/** The rows of a file that could not be read, with line and reason. */
export async function badRowsOf(db: ClientDb, id: number, limit: number): Promise<BadRow[]> {
  const rows = await db.rows<{ line: number; reason: string; cells: string }>(sql`
    SELECT line, reason, cells FROM import_bad_row WHERE client_id = ${db.client} AND import_id = ${id} ORDER BY line LIMIT ${limit}`)
  return rows.map((row) => ({ ...row, cells: JSON.parse(row.cells) as string[] }))
}
