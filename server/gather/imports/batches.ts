import { valueColumns, type Dataset } from '../../../core/datasets/dataset'
import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import { datasetById, POST_OBSERVATIONS, PROFILE_DAY } from '../../../core/datasets/datasets'
import { datasetReader } from '../../../core/imports/datasetReader'
import { dateTarget } from '../../../core/imports/importTargets'
import { knownPartIds, partIds } from '../../figures/questions/breakdownParts'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { rowReader, type KnownProfile, type Mapping, type ReadRow } from '../../../core/imports/rowReader'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { profilesOf } from '../../figures/questions/profileRows'
import type { ImportView } from '../../../shared/gather/imports'

/** A row that can be written. */
export type GoodRow = Extract<ReadRow, { kind: 'good' }>

/** The columns of a dataset that a mapping writes, and those that stand in every row of it. */
export const mappedColumns = (dataset: Dataset, { targets }: Mapping): string[] =>
  valueColumns(dataset).filter(
    (column) =>
      targets.includes(column) ||
      dataset.texts.some((text) => text.column === column && (text.usual ?? text.of) !== undefined),
  )

/** The client's profiles, as far as a row can name them. */
export const knownProfiles = async (db: ClientDb): Promise<KnownProfile[]> =>
  (await profilesOf(db)).map((row) => ({
    profile: row.profile_id,
    remoteId: row.remote_id,
    handle: row.handle,
    name: row.name,
  }))

/** Breakdowns by their id and by their name in small letters. */
const BREAKDOWNS_BY_NAME = new Map(
  STORED_BREAKDOWNS.flatMap(({ id, name, code }) => [
    [id, code],
    [name.toLowerCase(), code],
  ]),
)

/** The function that reads the rows of an import. */
export async function readerFor(
  db: ClientDb,
  view: Pick<ImportView, 'dataset' | 'layout' | 'mapping'>,
): Promise<(cells: readonly string[], line: number, isCutOff?: boolean) => ReadRow> {
  const mapping = view.mapping as Mapping
  const dataset = datasetById(view.dataset)
  const profiles = await knownProfiles(db)
  const latest = lastCompleteDay(now(), db.timeZone)
  const { headings, dateSigns } = view.layout!
  const signs = dateSigns?.[mapping.targets.indexOf(dateTarget(dataset))]
  if (dataset === PROFILE_DAY) return rowReader(headings, mapping, profiles, latest, signs)
  const known = { profiles, breakdowns: BREAKDOWNS_BY_NAME, zone: db.timeZone, latest }
  return datasetReader(dataset, headings, mapping, known, signs)
}

/**
 * Rows as they are kept: of a breakdown, parts by their number, which those that are new get when they are written.
 *
 * @param isWritten  whether new parts are kept; else they have no number yet
 */
export async function withPartNumbers(
  db: ClientDb,
  dataset: Dataset,
  rows: readonly GoodRow[],
  isWritten: boolean,
): Promise<GoodRow[]> {
  const at = dataset.keys.findIndex(({ type }) => type === 'part')
  if (at < 0) return [...rows]
  const names = [...new Set(rows.map(({ keys }) => String(keys[at])))]
  const numbers = isWritten ? await partIds(db, names) : await knownPartIds(db, names)
  return rows.map((row) => ({
    ...row,
    keys: row.keys.map((key, index) => (index === at ? (numbers(String(key)) ?? 0) : key)),
  }))
}

/** Those rows of the lives of posts whose post is not there: without it nobody would ever see them. */
export async function withoutPost(db: ClientDb, dataset: Dataset, rows: readonly GoodRow[]): Promise<Set<GoodRow>> {
  if (dataset !== POST_OBSERVATIONS || rows.length === 0) return new Set()
  const known = await db.rows<{ profile: number; id: string }>(sql`
    SELECT profile_id AS profile, remote_id AS id
    FROM   post
    WHERE  client_id = ${db.client}
    AND    profile_id IN (${[...new Set(rows.map(({ keys }) => keys[0]))]})
    AND    remote_id IN (${[...new Set(rows.map(({ keys }) => keys[1]))]})`)
  const posts = new Set(known.map(({ profile, id }) => `${profile} ${id}`))
  return new Set(rows.filter(({ keys }) => !posts.has(`${keys[0]} ${keys[1]}`)))
}
