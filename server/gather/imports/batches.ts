import { valueColumns, type Dataset } from '../../../core/datasets/dataset'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { rowReader, type KnownProfile, type Mapping, type ReadRow } from '../../../core/imports/rowReader'
import { now } from '../../platform/clock'
import type { ClientDb } from '../../platform/database/clientDb'
import { profilesOf } from '../../figures/questions/profileRows'
import type { ImportView } from '../../../shared/gather/imports'

/** A row that can be written. */
export type GoodRow = Extract<ReadRow, { kind: 'good' }>

/** The columns of a dataset that a mapping writes. */
export const mappedColumns = (dataset: Dataset, { targets }: Mapping): string[] =>
  valueColumns(dataset).filter((column) => (targets as readonly string[]).includes(column))

/** The client's profiles, as far as a row can name them. */
export const knownProfiles = async (db: ClientDb): Promise<KnownProfile[]> =>
  (await profilesOf(db)).map((row) => ({
    profile: row.profile_id,
    remoteId: row.remote_id,
    handle: row.handle,
    name: row.name,
  }))

/** The function that reads the rows of an import. */
export async function readerFor(
  db: ClientDb,
  view: ImportView,
): Promise<(cells: readonly string[], line: number, isCutOff?: boolean) => ReadRow> {
  const mapping = view.mapping as Mapping
  return rowReader(
    view.layout!.headings,
    mapping,
    await knownProfiles(db),
    lastCompleteDay(now(), db.timeZone),
    view.layout!.dateSigns?.[mapping.targets.indexOf('day')],
  )
}
