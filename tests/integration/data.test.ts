import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DuckDBInstance } from '@duckdb/node-api'
import { Ajv } from 'ajv'
import { parse } from 'csv-parse/sync'
import { strFromU8, unzipSync } from 'fflate'
import { beforeAll, describe, expect, it } from 'vitest'
import { STORED_BREAKDOWNS } from '../../core/breakdowns/breakdowns'
import { DATASETS } from '../../core/datasets/datasets'
import { plainText } from '../../core/datasets/packageText'
import { RECORDS } from '../../core/datasets/records'
import { housekeeping } from '../../server/housekeeping'
import { dataPackage, PACKAGE_VERSION, refuseTooManyPictures } from '../../server/gather/data/dataPackage'
import { rowsInOrder } from '../../server/gather/data/rowsInOrder'
import { whatIsKept } from '../../server/gather/data/whatIsKept'
import { keepPosts } from '../../server/gather/sync/keepPosts'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const TABULAR_DATA_PACKAGE = JSON.parse(
  readFileSync(new URL('../external/support/tabularDataPackage.json', import.meta.url), 'utf8'),
) as object
const { pool } = useDatabase('data')
const AT = Date.parse('2026-10-29T06:00:00Z')
let db: ClientDb
type Field = { name: string; type: string }
type Resource = { name: string; path: string; schema: { fields: Field[]; primaryKey: string[] } }
let files: Record<string, Uint8Array>
let resources: Resource[]

const rowsOf = async (text: string, values: unknown[] = []) =>
  (await pool().query(text, values))[0] as Record<string, unknown>[]

async function whole(parts: AsyncIterable<Uint8Array>): Promise<Uint8Array> {
  const all: Uint8Array[] = []
  for await (const part of parts) all.push(part)
  return Buffer.concat(all)
}

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  await pool().query(
    "INSERT INTO note (client_id, from_day, to_day, title, body) VALUES (1, '2026-10-01', '2026-10-02', ?, ?)",
    ['=HYPERLINK("http://x")', 'Two lines,\n"quoted"; and \'more'],
  )
  await pool().query(`
    INSERT INTO edition (client_id, report_id, number, title, period_words, request_key, content, sha256)
    VALUES (1, 1, 1, 'E', 'October', 'k', '{"a":"ü"}', REPEAT('0', 64))`)
  const [post] = await rowsOf(
    'SELECT profile_id, remote_id, published_at, format, text FROM post WHERE client_id = 1 LIMIT 1',
  )
  await keepPosts(
    db,
    post!.profile_id as number,
    {
      data: [
        {
          remoteId: post!.remote_id as string,
          publishedAt: (post!.published_at as Date).toISOString(),
          day: '2026-10-01',
          format: post!.format as string,
          text: post!.text as string,
          reactions: 3,
        },
      ],
    },
    AT,
  )
  files = unzipSync(await whole(dataPackage(db, AT)))
  resources = (JSON.parse(strFromU8(files['datapackage.json']!)) as { resources: Resource[] }).resources
})

/** A table of the package as its schema reads it. */
function read(name: string): Record<string, unknown>[] {
  const { path, schema } = resources.find((resource) => resource.name === name)!
  const [head, ...rows] = parse(Buffer.from(files[path]!), { relax_column_count: false }) as string[][]
  expect(head).toEqual(schema.fields.map((field) => field.name))
  return rows.map((row) =>
    Object.fromEntries(
      schema.fields.map((field, index) => {
        const cell = row[index]!
        if (cell === '') return [field.name, null]
        return [field.name, field.type === 'integer' || field.type === 'number' ? Number(cell) : plainText(cell)]
      }),
    ),
  )
}
const digest = (content: Uint8Array): string => createHash('sha256').update(content).digest('hex')
const plain = (value: unknown): unknown =>
  value instanceof Date ? value.toISOString() : Buffer.isBuffer(value) ? digest(value) : value === '' ? null : value

describe('the package of a client', () => {
  it.each(RECORDS.map(({ id, columns }) => [id, columns.map(({ column, type }) => [column, type] as const)] as const))(
    'has every row of %s, as the database has it',
    async (id, columns) => {
      const stored = await rowsOf(
        `SELECT ${columns.map(([column]) => column).join(', ')} FROM ${id} WHERE client_id = 1 ORDER BY ${columns[0]![0]}`,
      )
      const keys = resources.find(({ name }) => name === id)!.schema.primaryKey
      const order = (row: Record<string, unknown>) => JSON.stringify(keys.map((key) => plain(row[key])))
      const sorted = (rows: Record<string, unknown>[]) => [...rows].sort((a, b) => (order(a) < order(b) ? -1 : 1))
      const taken = read(id).map((row) =>
        Object.fromEntries(
          columns.map(([column, type]) => [
            column,
            type === 'yes or no'
              ? Number(row[column])
              : type === 'file'
                ? digest(files[row[column] as string]!)
                : row[column],
          ]),
        ),
      )
      expect(sorted(taken)).toEqual(
        sorted(stored).map((row) => Object.fromEntries(Object.entries(row).map(([key, value]) => [key, plain(value)]))),
      )
    },
  )

  it.each(DATASETS.map((dataset) => [dataset.id, dataset] as const))(
    'has every row of %s, with names for what the database numbers',
    async (id, { keys, measures, texts }) => {
      const [[count], taken] = [await rowsOf(`SELECT COUNT(*) AS count FROM ${id} WHERE client_id = 1`), read(id)]
      expect(taken.length).toBe(count!.count)
      expect(taken.length).toBeGreaterThan(0)
      const names = keys.map(({ column, type }) => (type === 'part' ? 'part' : column))
      expect(new Set(taken.map((row) => JSON.stringify(names.map((name) => row[name])))).size).toBe(taken.length)
      const joined = id === 'profile_day_breakdown' ? 'JOIN breakdown_part n USING (client_id, part_id)' : ''
      for (let at = 0; at < taken.length; at += Math.ceil(taken.length / 40)) {
        const row = taken[at]!
        const code = STORED_BREAKDOWNS.find((breakdown) => breakdown.id === row.breakdown)?.code
        const [stored] = await rowsOf(
          `SELECT * FROM ${id} ${joined} WHERE client_id = 1 AND ${names.map((name) => `${name} = ?`).join(' AND ')}`,
          names.map((name) =>
            name === 'breakdown' ? code : name === 'observed_at' ? new Date(row[name] as string) : row[name],
          ),
        )
        for (const { column } of [...measures, ...texts]) expect(row[column], column).toEqual(plain(stored![column]))
      }
    },
  )

  it('says of itself what it is, and keeps formulas and secrets out', () => {
    const descriptor = JSON.parse(strFromU8(files['datapackage.json']!)) as Record<string, unknown>
    expect(descriptor).toMatchObject({
      profile: 'tabular-data-package',
      name: 'mossgate-gardens',
      version: PACKAGE_VERSION,
      created: '2026-10-29T06:00:00.000Z',
    })
    const pictures = [
      ...['post_picture', 'listing_picture_file'].flatMap((name) => read(name).map((row) => row.bytes)),
      ...read('plan_file').map((row) => row.content),
    ]
    expect(pictures.length).toBeGreaterThan(50)
    expect(Object.keys(files).sort()).toEqual(
      ['README.md', 'datapackage.json', ...resources.map(({ path }) => path), ...pictures].sort(),
    )
    const all = Object.values(files)
      .map((file) => strFromU8(file))
      .join('\n')
    expect(all).not.toMatch(/credentials|token_hash|password_hash|request_key/)
    expect(all).toContain(`"'=HYPERLINK(""http://x"")"`)
    const readMe = strFromU8(files['README.md']!)
    for (const { schema } of resources)
      for (const { name, type } of schema.fields) expect(readMe).toContain(`| ${name} | ${type} |`)
  })

  it('comes without its pictures too, and says when there are too many of them', async () => {
    const without = unzipSync(await whole(dataPackage(db, AT, 'csv', false)))
    const { resources: named } = JSON.parse(strFromU8(without['datapackage.json']!)) as { resources: Resource[] }
    expect(resources.map(({ name }) => name).filter((name) => !named.some((one) => one.name === name))).toEqual([
      'plan_file',
      'post_picture',
      'listing_picture_file',
    ])
    expect(Object.keys(without).some((name) => name.startsWith('files/'))).toBe(false)
    await expect(refuseTooManyPictures(db)).resolves.toBeUndefined()
    await expect(refuseTooManyPictures(db, 1000)).rejects.toThrow('without pictures')
  })

  it('describes itself as the standard has it', () => {
    // Frictionless Data, Tabular Data Package 1.0 and Table Schema 1.0: their published JSON Schema
    const isPackage = new Ajv({ strict: false, validateFormats: false }).compile(TABULAR_DATA_PACKAGE)
    const descriptor = JSON.parse(strFromU8(files['datapackage.json']!)) as { resources: Resource[] }
    expect(isPackage(descriptor), JSON.stringify(isPackage.errors)).toBe(true)
    descriptor.resources[0]!.schema.fields[0]!.type = 'whole number'
    expect(isPackage(descriptor)).toBe(false)
  })

  it('is the same as Parquet, as another program reads it', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'zaffer-parquet-'))
    const parquet = unzipSync(await whole(dataPackage(db, AT, 'parquet')))
    const duck = await (await DuckDBInstance.create(':memory:')).connect()
    const answer = async (query: string) => (await duck.runAndReadAll(query)).getRowObjectsJson()
    for (const { name, schema } of resources) {
      const file = join(folder, `${name}.parquet`)
      writeFileSync(file, parquet[`data/${name}.parquet`]!)
      const taken = read(name)
      expect(await answer(`SELECT COUNT(*)::INTEGER AS count FROM '${file}'`), name).toEqual([{ count: taken.length }])
      const types = (await answer(`DESCRIBE SELECT * FROM '${file}'`)) as { column_name: string; column_type: string }[]
      expect(types.map(({ column_name: column }) => column)).toEqual(schema.fields.map((field) => field.name))
      for (const field of schema.fields) {
        const type = types.find(({ column_name: column }) => column === field.name)!.column_type
        if (field.type === 'date') expect(type, `${name}.${field.name}`).toBe('DATE')
        if (field.type !== 'integer') continue
        const sum = taken.reduce((total, row) => total + Number(row[field.name] ?? 0), 0)
        const nulls = taken.filter((row) => row[field.name] === null).length
        expect(
          await answer(
            `SELECT COALESCE(SUM("${field.name}"), 0)::DOUBLE AS sum, COUNT(*) FILTER ("${field.name}" IS NULL)::INTEGER AS nulls
             FROM '${file}'`,
          ),
          `${name}.${field.name}`,
        ).toEqual([{ sum, nulls }])
      }
    }
    const posts = join(folder, 'post.parquet')
    const [first] = read('post')
    const [same] = (await answer(
      `SELECT text, day::VARCHAR AS day, epoch_ms(published_at)::VARCHAR AS at FROM '${posts}' LIMIT 1`,
    )) as { text: string; day: string; at: string }[]
    expect(same).toEqual({
      text: first!.text,
      day: first!.day,
      at: String(Date.parse(first!.published_at as string)),
    })
    rmSync(folder, { recursive: true })
  })

  it('has nothing of another client', async () => {
    const other = unzipSync(await whole(dataPackage(await clientDbForJob(2), AT)))
    const handles = await rowsOf('SELECT remote_id FROM profile WHERE client_id = 1')
    const text = Object.values(other)
      .map((file) => strFromU8(file))
      .join('\n')
    expect(handles.length).toBeGreaterThan(5)
    for (const { remote_id: remote } of handles) expect(text).not.toContain(remote)
  })
})

describe('rows in order', () => {
  it('come each once, however many pages they take', async () => {
    const seen: string[] = []
    for await (const rows of rowsInOrder(db, 'profile_day', ['profile_id', 'day'], ['impressions'])) {
      expect(rows.length).toBeLessThanOrEqual(5000)
      seen.push(...rows.map((row) => `${String(row.profile_id).padStart(6, '0')} ${String(row.day)}`))
    }
    const [count] = await rowsOf('SELECT COUNT(*) AS count FROM profile_day WHERE client_id = 1')
    expect(seen.length).toBe(count!.count)
    expect(seen).toEqual([...new Set(seen)].sort())
  })
})

describe('what is kept', () => {
  it('is counted dataset by dataset, over its days', async () => {
    const kept = await whatIsKept(db)
    expect(kept.map(({ id }) => id)).toEqual(DATASETS.map(({ id }) => id))
    const [days] = await rowsOf(
      'SELECT COUNT(*) AS count, MIN(day) AS first, MAX(day) AS last, COUNT(DISTINCT profile_id) AS profiles ' +
        'FROM profile_day WHERE client_id = 1',
    )
    expect(kept[0]).toMatchObject({ rows: days!.count, from: days!.first, to: days!.last, profiles: days!.profiles })
    const [life] = await rowsOf(
      "SELECT COUNT(*) AS count, DATE_FORMAT(MIN(observed_at), '%Y-%m-%d') AS first FROM post_observation WHERE client_id = 1",
    )
    expect(kept.find(({ id }) => id === 'post_observation')).toMatchObject({
      rows: life!.count,
      from: life!.first,
      keptDays: 800,
    })
  })

  it('stays for as long as its dataset says', async () => {
    const rows = async () => (await rowsOf('SELECT COUNT(*) AS count FROM post_observation'))[0]!.count
    const before = await rows()
    await pool().query(`
      INSERT INTO post_observation (client_id, profile_id, remote_id, observed_at)
      SELECT client_id, profile_id, remote_id, NOW() - INTERVAL 801 DAY FROM post LIMIT 1`)
    expect(await rows()).toBe((before as number) + 1)
    expect(await housekeeping()).toMatchObject({ 'Posts over their life': 1 })
    expect(await rows()).toBe(before)
  })
})
