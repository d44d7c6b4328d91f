import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import { valueColumns, type Dataset } from '../../../core/datasets/dataset'
import { DATASETS } from '../../../core/datasets/datasets'
import { fileColumn, keysOfRecords, RECORDS, type RecordKind } from '../../../core/datasets/records'
import { schemaOfDataset, schemaOfRecords, type TableSchema } from '../../../core/datasets/tableSchema'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'

/** A table of what a client takes away: what stands in the database under the same name, in open forms. */
export interface PackageTable {
  name: string
  title: string
  description: string
  schema: TableSchema
  keys: readonly string[]
  columns: readonly string[]
  /** A row of the database as the fields of the schema have it. */
  valuesOf: (row: Record<string, unknown>) => unknown[]
  /** The column whose content stands in a file of its own. */
  file?: string
}

/**
 * Where the file of a record stands in a package.
 *
 * @param row  with the keys of the record and its media type
 */
export const fileOf = ({ name, keys }: Pick<PackageTable, 'name' | 'keys'>, row: Record<string, unknown>): string =>
  `files/${name}/${keys.map((key) => encodeURIComponent(String(row[key]))).join('-')}.${/\/(\w+)/.exec(String(row.type))![1]}`

const describe = (grain: string): string => `One row is ${grain}.`

/** Every table of a client's package, those first that others point to. */
export async function packageTables(db: ClientDb): Promise<PackageTable[]> {
  const parts = await db.rows<{ id: number; part: string }>(sql`
    SELECT part_id AS id, part FROM breakdown_part WHERE client_id = ${db.client}`)
  const partNames = new Map(parts.map(({ id, part }) => [id, part]))
  return [...RECORDS.map(ofRecords), ...DATASETS.map((dataset) => ofDataset(dataset, partNames))]
}

function ofRecords(kind: RecordKind): PackageTable {
  const file = fileColumn(kind)
  const keys = keysOfRecords(kind)
  return {
    name: kind.id,
    title: kind.name,
    description: describe(kind.grain),
    schema: schemaOfRecords(kind),
    keys,
    columns: kind.columns.flatMap(({ column }) => (column === file ? [] : [column])),
    valuesOf: (row) =>
      kind.columns.map(({ column }) => (column === file ? fileOf({ name: kind.id, keys }, row) : row[column])),
    ...(file && { file }),
  }
}

const BREAKDOWN_IDS = new Map(STORED_BREAKDOWNS.map(({ id, code }) => [code, id]))

function ofDataset(dataset: Dataset, partNames: ReadonlyMap<number, string>): PackageTable {
  const values = valueColumns(dataset)
  return {
    name: dataset.id,
    title: dataset.name,
    description: describe(dataset.grain),
    schema: schemaOfDataset(dataset),
    keys: dataset.keys.map(({ column }) => column),
    columns: values,
    valuesOf: (row) => [
      ...dataset.keys.map(({ column, type }) =>
        type === 'breakdown'
          ? BREAKDOWN_IDS.get(row[column] as number)
          : type === 'part'
            ? partNames.get(row[column] as number)
            : row[column],
      ),
      ...values.map((column) => row[column]),
    ],
  }
}
