import { stringify } from 'csv-stringify/sync'
import { Zip, ZipDeflate, strToU8 } from 'fflate'
import { safeText } from '../../../core/datasets/packageText'
import type { ClientDb } from '../../platform/database/clientDb'
import { packageTables, type PackageTable } from './packageTables'
import { readMe } from './readMe'
import { rowsInOrder } from './rowsInOrder'

/** The form of a package, in its descriptor: what reads it knows which version it has before it. */
export const PACKAGE_VERSION = '1'

interface PackageFile {
  name: string
  /** Its text, part by part. */
  text: AsyncIterable<string> | Iterable<string>
}

/**
 * Everything that is kept of a client, as a Frictionless Data Package: a descriptor with a Table Schema for each table,
 * the tables as CSV, and a text that explains them, in one ZIP. It is made part by part, so that memory stays flat.
 *
 * @param db  reading as of one moment
 * @param at  when that is, in milliseconds since 1970 UTC
 */
export async function* dataPackage(db: ClientDb, at: number): AsyncGenerator<Uint8Array> {
  const tables = await packageTables(db)
  const files: PackageFile[] = [
    { name: 'datapackage.json', text: [`${JSON.stringify(descriptorOf(db, tables, at), null, 2)}\n`] },
    { name: 'README.md', text: [readMe(db.name, tables)] },
    ...tables.map((table) => ({ name: pathOf(table), text: csvOf(db, table) })),
  ]
  yield* zipped(files, at)
}

const pathOf = ({ name }: PackageTable): string => `data/${name}.csv`

/** The descriptor of a package (Frictionless Data, Data Package 1 with Tabular Data Resources). */
export const descriptorOf = (db: ClientDb, tables: readonly PackageTable[], at: number) => ({
  profile: 'tabular-data-package',
  name: db.slug,
  title: db.name,
  description: 'Everything that is kept of this client.',
  created: new Date(at).toISOString(),
  version: PACKAGE_VERSION,
  client: { name: db.name, timeZone: db.timeZone, universe: db.universe ?? null },
  resources: tables.map((table) => ({
    profile: 'tabular-data-resource',
    name: table.name,
    title: table.title,
    description: table.description,
    path: pathOf(table),
    format: 'csv',
    mediatype: 'text/csv',
    encoding: 'utf-8',
    dialect: { delimiter: ',', quoteChar: '"', doubleQuote: true, lineTerminator: '\r\n', header: true },
    schema: table.schema,
  })),
})

async function* csvOf(db: ClientDb, { name, keys, columns, schema, valuesOf }: PackageTable): AsyncGenerator<string> {
  yield line([schema.fields.map((field) => field.name)])
  for await (const rows of rowsInOrder(db, name, keys, columns)) yield line(rows.map((row) => valuesOf(row).map(cell)))
}

const line = (rows: readonly unknown[][]): string =>
  stringify(rows as unknown[][], { record_delimiter: 'windows', quoted_string: true })

const cell = (value: unknown): unknown =>
  typeof value === 'string' ? safeText(value) : value instanceof Date ? value.toISOString() : value

/** Files in one ZIP, part by part. */
async function* zipped(files: readonly PackageFile[], at: number): AsyncGenerator<Uint8Array> {
  const made: Uint8Array[] = []
  const zip = new Zip((error, part) => {
    if (error) throw error
    made.push(part)
  })
  for (const { name, text } of files) {
    const file = new ZipDeflate(name, { level: 6 })
    file.mtime = new Date(at)
    zip.add(file)
    for await (const part of text) {
      file.push(strToU8(part))
      while (made.length > 0) yield made.shift()!
    }
    file.push(new Uint8Array(), true)
    while (made.length > 0) yield made.shift()!
  }
  zip.end()
  while (made.length > 0) yield made.shift()!
}
