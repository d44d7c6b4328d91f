import { stringify } from 'csv-stringify/sync'
import { Zip, ZipDeflate, ZipPassThrough, strToU8 } from 'fflate'
import { safeText } from '../../../core/datasets/packageText'
import type { PACKAGE_FORMATS } from '../../../shared/gather/data'
import { raw, sql } from '../../platform/database/sql'
import { parquetOf } from './parquet'
import type { ClientDb } from '../../platform/database/clientDb'
import { conflict } from '../../platform/problems/problem'
import { fileOf, packageTables, type PackageTable } from './packageTables'
import { readMe } from './readMe'
import { rowsInOrder } from './rowsInOrder'

/** The form of a package, in its descriptor: what reads it knows which version it has before it. */
export const PACKAGE_VERSION = '1'

interface PackageFile {
  name: string
  /** What is in it, part by part. */
  parts: AsyncIterable<string | Uint8Array> | Iterable<string | Uint8Array>
  /** Whether it is packed already. */
  isDense?: boolean
}
export type PackageFormat = (typeof PACKAGE_FORMATS)[number]

/**
 * Everything that is kept of a client, as a Frictionless Data Package: a descriptor with a Table Schema for each table,
 * the tables as CSV or as Parquet, and a text that explains them, in one ZIP. It is made part by part, so that memory
 * stays flat.
 *
 * @param db      reading as of one moment
 * @param at      when that is, in milliseconds since 1970 UTC
 * @param format  what the tables are
 * @param hasPictures  whether pictures and videos are in it
 */
export async function* dataPackage(
  db: ClientDb,
  at: number,
  format: PackageFormat = 'csv',
  hasPictures = true,
): AsyncGenerator<Uint8Array> {
  const tables = (await packageTables(db)).filter(({ file }) => hasPictures || !file)
  const descriptor = await descriptorOf(db, tables, at, format)
  const files: PackageFile[] = [
    { name: 'datapackage.json', parts: [`${JSON.stringify(descriptor, null, 2)}\n`] },
    { name: 'README.md', parts: [readMe(db.name, tables, format)] },
    ...tables.map((table) => ({
      name: pathOf(table, format),
      parts: format === 'csv' ? csvOf(db, table) : parquetOf(db, table),
      isDense: format === 'parquet',
    })),
  ]
  yield* zipped(everyFile(files, db, tables), at)
}

/** How much pictures of one kind a package holds, in bytes: a ZIP that every program opens has 4 GB at the most. */
const MOST_PICTURES_BYTES = 1_700_000_000

/** @throws Problem 409 when the pictures of a client take more than a package holds */
export async function refuseTooManyPictures(db: ClientDb, most = MOST_PICTURES_BYTES): Promise<void> {
  for (const { name, file } of await packageTables(db)) {
    if (!file) continue
    const { bytes } = (await db.one<{ bytes: number }>(sql`
      SELECT CAST(COALESCE(SUM(LENGTH(${raw(file)})), 0) AS DOUBLE) AS bytes
      FROM   ${raw(name)}
      WHERE  client_id = ${db.client}`))!
    if (bytes > most) throw conflict('The pictures take more than a package holds. Download all data without pictures.')
  }
}

const pathOf = ({ name }: PackageTable, format: PackageFormat): string => `data/${name}.${format}`

/** How the tables are written, in the words of the standard. */
const FORMS = {
  csv: {
    profile: 'tabular-data-resource',
    format: 'csv',
    mediatype: 'text/csv',
    encoding: 'utf-8',
    dialect: { delimiter: ',', quoteChar: '"', doubleQuote: true, lineTerminator: '\r\n', header: true },
  },
  parquet: { profile: 'data-resource', format: 'parquet', mediatype: 'application/vnd.apache.parquet' },
}

/** The descriptor of a package (Frictionless Data, Data Package 1 with Tabular Data Resources). */
export const descriptorOf = async (
  db: ClientDb,
  tables: readonly PackageTable[],
  at: number,
  format: PackageFormat = 'csv',
) => ({
  profile: format === 'csv' ? 'tabular-data-package' : 'data-package',
  name: db.slug,
  title: db.name,
  description: 'Everything that is kept of this client.',
  created: new Date(at).toISOString(),
  version: PACKAGE_VERSION,
  client: { name: db.name, timeZone: db.timeZone, universe: db.universe ?? null, ...(await saidOf(db)) },
  resources: tables.map((table) => ({
    name: table.name,
    title: table.title,
    description: table.description,
    path: pathOf(table, format),
    ...FORMS[format],
    schema: table.schema,
  })),
})

/** What is kept of the client itself. */
const saidOf = async (db: ClientDb) =>
  (await db.one<{ website: string; intendedAudience: string }>(sql`
    SELECT COALESCE(website, '') AS website, intended_audience AS intendedAudience
    FROM   client
    WHERE  client_id = ${db.client}`))!

async function* csvOf(db: ClientDb, { name, keys, columns, schema, valuesOf }: PackageTable): AsyncGenerator<string> {
  yield line([schema.fields.map((field) => field.name)])
  for await (const rows of rowsInOrder(db, name, keys, columns)) yield line(rows.map((row) => valuesOf(row).map(cell)))
}

/** The tables, then what stands in files of its own, one after the other. */
async function* everyFile(
  files: readonly PackageFile[],
  db: ClientDb,
  tables: readonly PackageTable[],
): AsyncGenerator<PackageFile> {
  yield* files
  for (const { name, keys, file } of tables)
    if (file)
      for await (const rows of rowsInOrder(db, name, keys, ['type']))
        for (const row of rows) {
          const is = keys.map((key) => sql`${raw(key)} = ${row[key]}`).reduce((all, one) => sql`${all} AND ${one}`)
          const found = await db.one<{ content: Buffer }>(sql`
            SELECT ${raw(file)} AS content
            FROM   ${raw(name)}
            WHERE  client_id = ${db.client}
            AND    ${is}`)
          yield { name: fileOf({ name, keys }, row), parts: [found!.content], isDense: true }
        }
}

const line = (rows: readonly unknown[][]): string =>
  stringify(rows as unknown[][], { record_delimiter: 'windows', quoted_string: true })

const cell = (value: unknown): unknown =>
  typeof value === 'string' ? safeText(value) : value instanceof Date ? value.toISOString() : value

/** Files in one ZIP, part by part. */
async function* zipped(files: AsyncIterable<PackageFile>, at: number): AsyncGenerator<Uint8Array> {
  const made: Uint8Array[] = []
  const zip = new Zip((error, part) => {
    if (error) throw error
    made.push(part)
  })
  for await (const { name, parts, isDense } of files) {
    const file = isDense ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 })
    file.mtime = new Date(at)
    zip.add(file)
    for await (const part of parts) {
      file.push(typeof part === 'string' ? strToU8(part) : part)
      while (made.length > 0) yield made.shift()!
    }
    file.push(new Uint8Array(), true)
    while (made.length > 0) yield made.shift()!
  }
  zip.end()
  while (made.length > 0) yield made.shift()!
}
