import { ByteWriter, ParquetWriter, type ColumnSource } from 'hyparquet-writer'
import type { SchemaField } from '../../../core/datasets/tableSchema'
import type { ClientDb } from '../../platform/database/clientDb'
import type { PackageTable } from './packageTables'
import { rowsInOrder } from './rowsInOrder'

type Element = ConstructorParameters<typeof ParquetWriter>[0]['schema'][number]

/** How a field of a Table Schema stands in Parquet, and what a value of the database is there. */
const KINDS: Record<string, { element: Omit<Element, 'name'>; valueOf: (value: unknown) => unknown }> = {
  integer: { element: { type: 'INT64' }, valueOf: (value) => BigInt(value as number) },
  number: { element: { type: 'DOUBLE' }, valueOf: Number },
  boolean: { element: { type: 'BOOLEAN' }, valueOf: (value) => value === 1 || value === true },
  date: { element: { type: 'INT32', converted_type: 'DATE' }, valueOf: (value) => new Date(`${String(value)}T00:00Z`) },
  datetime: { element: { type: 'INT64', converted_type: 'TIMESTAMP_MILLIS' }, valueOf: (value) => value },
}
const TEXT = { element: { type: 'BYTE_ARRAY', converted_type: 'UTF8' } as const, valueOf: String }
const kindOf = ({ type }: SchemaField) => KINDS[type] ?? TEXT

/** How many rows stand together: memory stays flat however many there are. */
const TOGETHER = 25_000

/** The rows of a table as a Parquet file, part by part. Texts stand in it as they are: nothing there is a formula. */
export async function* parquetOf(
  db: ClientDb,
  { name, keys, columns, schema, valuesOf }: PackageTable,
): AsyncGenerator<Uint8Array> {
  const bytes = new ByteWriter()
  const writer = new ParquetWriter({
    writer: bytes,
    createdBy: 'Zaffer',
    schema: [
      { name: 'root', num_children: schema.fields.length },
      ...schema.fields.map((field) => ({
        name: field.name,
        repetition_type: 'OPTIONAL' as const,
        ...kindOf(field).element,
      })),
    ],
  })
  const taken = () => {
    const part = bytes.getBytes().slice()
    bytes.index = 0
    return part
  }
  let rows: unknown[][] = []
  const group = () => {
    void writer.write({
      rowGroupSize: TOGETHER * 2,
      columnData: schema.fields.map((field, index): ColumnSource => {
        const { valueOf } = kindOf(field)
        return {
          name: field.name,
          data: rows.map((row) => (row[index] === null || row[index] === undefined ? null : valueOf(row[index]))),
        }
      }),
    })
    rows = []
    return taken()
  }
  for await (const some of rowsInOrder(db, name, keys, columns)) {
    rows.push(...some.map(valuesOf))
    if (rows.length >= TOGETHER) yield group()
  }
  if (rows.length > 0) yield group()
  void writer.finish()
  yield taken()
}
