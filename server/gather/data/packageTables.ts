import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import { valueColumns, type Dataset } from '../../../core/datasets/dataset'
import { DATASETS } from '../../../core/datasets/datasets'
import { keysOfRecords, RECORDS, type RecordKind } from '../../../core/datasets/records'
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
}

const describe = (grain: string): string => `One row is ${grain}.`

/** Every table of a client's package, those first that others point to. */
export async function packageTables(db: ClientDb): Promise<PackageTable[]> {
  const parts = await db.rows<{ id: number; part: string }>(sql`
    SELECT part_id AS id, part FROM breakdown_part WHERE client_id = ${db.client}`)
  const partNames = new Map(parts.map(({ id, part }) => [id, part]))
  return [...RECORDS.map(ofRecords), ...DATASETS.map((dataset) => ofDataset(dataset, partNames))]
}

function ofRecords(kind: RecordKind): PackageTable {
  const columns = kind.columns.map(({ column }) => column)
  return {
    name: kind.id,
    title: kind.name,
    description: describe(kind.grain),
    schema: schemaOfRecords(kind),
    keys: keysOfRecords(kind),
    columns,
    valuesOf: (row) => columns.map((column) => row[column]),
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
