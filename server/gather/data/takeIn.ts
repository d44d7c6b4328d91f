import { parse } from 'csv-parse'
import { createHash, randomInt, randomUUID } from 'node:crypto'
import { buffer } from 'node:stream/consumers'
import type { Readable } from 'node:stream'
import { fromFd, type Entry, type ZipFile } from 'yauzl'
import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import type { Dataset } from '../../../core/datasets/dataset'
import { DATASETS } from '../../../core/datasets/datasets'
import { plainText } from '../../../core/datasets/packageText'
import { fileColumn, ownNumber, RECORDS, type RecordKind } from '../../../core/datasets/records'
import { renumbered, type PackageRow } from '../../../core/datasets/renumber'
import { schemaOfDataset, schemaOfRecords, type SchemaField } from '../../../core/datasets/tableSchema'
import { newCode } from '../../../core/links/linkCode'
import { isDay } from '../../../core/days/day'
import { packageHeadSchema, type PackageHead } from '../../../shared/gather/data'
import type { PlanText } from '../../../shared/plan/plannedPosts'
import { partIds } from '../../figures/questions/breakdownParts'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql } from '../../platform/database/sql'
import { JobFailed } from '../../platform/jobs/context'
import { refuseOtherRecord, refuseOtherRow } from './columnRules'
import { fileTaken, type Files } from './filesTaken'
import { refuseOtherShape } from './shapes'

/** How large a package may be once it is unpacked, and each of its cells. */
const MOST_UNPACKED_BYTES = 4_000_000_000
const MOST_HEAD_BYTES = 5_000_000
const MOST_FILES = 500_000
const LONGEST_CELL = 20_000_000
/** How many rows are written together. */
const TOGETHER = 1000
/** The largest number that a column of counts holds. */
const MOST_COUNT = 4_294_967_295

const BREAKDOWN_CODES = new Map(STORED_BREAKDOWNS.map(({ id, code }) => [id, code]))

/** What was taken in, table by table. */
export interface TakenIn {
  tables: { name: string; rows: number }[]
}

/** Whether nothing at all is kept of a client: only into such a one a package can be taken in. */
export async function isEmpty(db: ClientDb): Promise<boolean> {
  for (const { id } of [...RECORDS, ...DATASETS])
    if (await db.one(sql`SELECT 1 FROM ${raw(id)} WHERE client_id = ${db.client} LIMIT 1`)) return false
  return true
}

/**
 * Takes a client's package in, in the transaction of whoever calls: all of it, or nothing. Every record gets a number
 * of its own here, and what points to it points to that. An owner's consent is no part of a package: profiles whose
 * owners had given theirs wait for it again.
 *
 * @param fd     the package as an open file
 * @param onRow  called now and then, with how many rows are written
 * @throws       JobFailed with a sentence that names the file, the line and the column
 */
export async function takeIn(db: ClientDb, fd: number, onRow: (rows: number) => Promise<void>): Promise<TakenIn> {
  const files = await filesOf(fd)
  const head = await headOf(files)
  const numbers = new Map<string, Map<number, number>>()
  const elsewhere = (table: string, number: number): number => {
    const found = numbers.get(table)?.get(number)
    if (found === undefined)
      throw new JobFailed(`it points to number ${number} of ${table}, which is not in the package`)
    return found
  }
  const codes = new Map<string, string>()
  const tables: TakenIn['tables'] = []
  let written = 0
  const told = async (rows: number) => {
    written += rows
    await onRow(written)
  }
  const paths = new Map(head.resources.map(({ name, path }) => [name, path]))
  const missing = [...RECORDS, ...DATASETS].filter(({ id }) => !paths.has(id) && !OPTIONAL.has(id))
  if (missing.length > 0)
    throw new JobFailed(`The package has no table “${missing[0]!.id}”. Bring one that was not cut.`)
  const takeKind = async (kind: RecordKind) => {
    const path = paths.get(kind.id)
    if (!path) return
    const later = new Set(kind.columns.flatMap(({ column, isLater }) => (isLater ? [column] : [])))
    const rows = rowsOf(files, path, schemaOfRecords(kind).fields, later)
    const own = new Map<number, number>()
    numbers.set(kind.id, own)
    const taken = { own, elsewhere, told, codes, files, hasPictures: paths.has('plan_file') }
    tables.push({ name: kind.name, rows: await takeRecords(db, kind, path, rows, taken) })
  }
  for (const kind of RECORDS.filter(({ isOfData }) => !isOfData)) await takeKind(kind)
  for (const dataset of DATASETS) {
    const path = paths.get(dataset.id)
    if (!path) continue
    const rows = rowsOf(files, path, schemaOfDataset(dataset).fields)
    tables.push({ name: dataset.name, rows: await takeDataset(db, dataset, path, rows, { elsewhere, told }) })
  }
  for (const kind of RECORDS.filter(({ isOfData }) => isOfData)) await takeKind(kind)
  await db.run(sql`
    INSERT INTO connection (client_id, connector, profile_id)
    SELECT client_id, network, profile_id FROM profile WHERE client_id = ${db.client}`)
  const { timeZone, universe, website, intendedAudience } = head.client
  await db.run(sql`
    UPDATE client
    SET    time_zone = ${timeZone}, universe = ${universe}, website = ${website}, intended_audience = ${intendedAudience}
    WHERE  client_id = ${db.client}`)
  return { tables }
}

/** Tables that packages of before they came do not have. */
const OPTIONAL = new Set([
  'kept_estimate',
  'site',
  'site_day',
  'site_page_day',
  'site_source_day',
  'post_retention',
  'review',
  'question',
  'listing_picture',
  'listing_picture_file',
  'place',
  'place_group',
  'place_group_member',
  'review_reading',
  'review_reply',
  'reply_template',
  'slot_try',
  'rank_watch',
  'rank_check',
  'directory_entry',
  'entry_change',
  'entry_correction',
  'entry_request',
  'sighting',
  'industry_figure',
  'plan_file',
  'post_picture',
  'saved_text',
  'plan_slot',
  'plan_refill',
  'plan_refill_slot',
  'plan_refill_post',
  'plan_refill_turn',
  'planned_post',
  'planned_posting',
  'planned_remark',
  'poll',
  'tracked_link',
  'link_page',
  'link_visit',
  'link_visit_part',
  'tag',
  'tag_rule',
  'post_tag',
])

/** The files of a ZIP by their path. */
function filesOf(fd: number): Promise<Files> {
  const refuse = () => new JobFailed('That is no package: it is not a ZIP, or was cut on its way.')
  return new Promise((resolve, reject) => {
    fromFd(fd, { autoClose: false, lazyEntries: true, validateEntrySizes: true }, (error, zip) => {
      if (error || !zip) return void reject(refuse())
      const files = new Map<string, () => Promise<Readable>>()
      let bytes = 0
      zip.on('entry', (entry: Entry) => {
        bytes += entry.uncompressedSize
        if (bytes > MOST_UNPACKED_BYTES || files.size > MOST_FILES)
          return void reject(new JobFailed('That package is too large to be unpacked.'))
        files.set(entry.fileName, () => open(zip, entry))
        zip.readEntry()
      })
      zip.on('end', () => resolve(files))
      zip.on('error', () => reject(refuse()))
      zip.readEntry()
    })
  })
}

const open = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(stream))),
  )

/** What a package says of itself. */
async function headOf(files: Files): Promise<PackageHead> {
  const file = files.get('datapackage.json')
  if (!file) throw new JobFailed('There is no datapackage.json in it. Bring the ZIP as it was downloaded.')
  const stream = await file()
  let bytes = 0
  stream.on('data', (part: Buffer) => (bytes += part.length) > MOST_HEAD_BYTES && stream.destroy())
  try {
    return packageHeadSchema.validateSync(JSON.parse((await buffer(stream)).toString('utf8')), { stripUnknown: true })
  } catch (error) {
    throw new JobFailed(
      error instanceof Error && error.name === 'ValidationError'
        ? `What the package says of itself cannot be read: ${error.message}`
        : 'What the package says of itself (datapackage.json) is no JSON.',
    )
  }
}

interface ReadLine {
  line: number
  row: PackageRow
}

/**
 * The rows of a table, each cell as its field means it.
 *
 * @param later  fields that a package of before they came does not have
 */
async function* rowsOf(
  files: Files,
  path: string,
  all: readonly SchemaField[],
  later: ReadonlySet<string> = new Set(),
): AsyncGenerator<ReadLine> {
  const file = files.get(path)
  if (!file) throw new JobFailed(`The package names ${path}, but it is not in it.`)
  const parser = (await file()).pipe(
    parse({ bom: true, info: true, max_record_size: LONGEST_CELL, relax_column_count: true }),
  )
  let isHead = true
  let fields = all
  try {
    for await (const { info, record } of parser as AsyncIterable<{ info: { lines: number }; record: string[] }>) {
      if (isHead) {
        fields = all.filter(({ name }) => !later.has(name) || record.includes(name))
        refuseOtherHead(path, record, fields)
        isHead = false
        continue
      }
      const line = info.lines
      if (record.length !== fields.length)
        throw new JobFailed(`${path}, line ${line}: ${record.length} cells, where ${fields.length} are expected.`)
      yield {
        line,
        row: Object.fromEntries(fields.map((field, index) => [field.name, cellOf(path, line, field, record[index]!)])),
      }
    }
  } catch (error) {
    if (error instanceof JobFailed) throw error
    throw new JobFailed(`${path} cannot be read: ${(error as Error).message}`)
  }
  if (isHead) throw new JobFailed(`${path} is empty: not even its headings are there.`)
}

function refuseOtherHead(path: string, head: readonly string[], fields: readonly SchemaField[]): void {
  const wanted = fields.map(({ name }) => name)
  const index = wanted.findIndex((name, at) => head[at] !== name)
  if (index >= 0 || head.length !== wanted.length)
    throw new JobFailed(
      `${path}: the headings have to be ${wanted.join(', ')}, but “${head[index < 0 ? wanted.length : index] ?? ''}” stands there.`,
    )
}

function cellOf(path: string, line: number, field: SchemaField, cell: string): string | number | null {
  const refuse = (what: string) => new JobFailed(`${path}, line ${line}, ${field.name}: ${what}`)
  const shown = cell.length > 40 ? `${cell.slice(0, 40)}…` : cell
  if (cell === '') {
    if (field.constraints?.required) throw refuse('nothing stands there.')
    return field.type === 'string' && !field.constraints ? '' : null
  }
  switch (field.type) {
    case 'integer':
      if (!/^-?\d{1,15}$/.test(cell)) throw refuse(`“${shown}” is no whole number.`)
      return Number(cell)
    case 'number':
      if (!/^-?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(cell)) throw refuse(`“${shown}” is no number.`)
      return Number(cell)
    case 'boolean':
      if (cell !== '0' && cell !== '1') throw refuse(`“${shown}” is neither 1 nor 0.`)
      return Number(cell)
    case 'date':
      if (!isDay(cell)) throw refuse(`“${shown}” is no day.`)
      return cell
    case 'datetime':
      if (!/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/.test(cell) || Number.isNaN(Date.parse(cell)))
        throw refuse(`“${shown}” is no instant in UTC.`)
      return cell
    default:
      return plainText(cell)
  }
}

interface Taking {
  elsewhere: (table: string, number: number) => number
  told: (rows: number) => Promise<void>
}

/** What has to stand in a row here and is not in a package. */
const HERE: Readonly<Record<string, (row: PackageRow) => PackageRow>> = {
  profile: (row) => ({ ...row, consent: row.consent === 'given' ? 'none' : row.consent! }),
  // what was to go out from where the package comes from does not also go out from here
  planned_post: (row) => ({ ...row, state: ['idea', 'published'].includes(String(row.state)) ? row.state! : 'draft' }),
  plan_refill: (row) => ({ ...row, is_on: 0 }),
  planned_posting: (row) => ({ ...row, state: row.state === 'published' ? row.state : '' }),
  tag: (row) => ({ ...row, live_name: row.removed_at === null ? row.name! : null }),
  edition: (row) => {
    // an edition that was changed on its way is none
    if (createHash('sha256').update(String(row.content)).digest('hex') !== row.sha256)
      throw new JobFailed('the edition is not as it was issued: its checksum does not fit')
    return { ...row, request_key: randomUUID() }
  },
}

interface TakingRecords extends Taking {
  /** The numbers that records of the kind have here, by those in the package. */
  own: Map<number, number>
  codes: Map<string, string>
  files: Files
  /** Whether the pictures that planned posts show are in the package. */
  hasPictures: boolean
}

function withoutPictures(row: PackageRow): PackageRow {
  const content = JSON.parse(String(row.content)) as PlanText
  const preview = content.preview && { ...content.preview, picture: null }
  return { ...row, content: JSON.stringify({ ...content, media: [], preview }) }
}

async function takeRecords(
  db: ClientDb,
  kind: RecordKind,
  path: string,
  rows: AsyncIterable<ReadLine>,
  { own, elsewhere, told, codes, files, hasPictures }: TakingRecords,
): Promise<number> {
  const number = ownNumber(kind.id)
  const file = fileColumn(kind)
  const columnsOf = (wanted: string) => kind.columns.flatMap(({ column, type }) => (type === wanted ? [column] : []))
  const instants = new Set(columnsOf('instant'))
  const shaped = columnsOf('json')
  const toDatabase = (row: PackageRow, content: Buffer | undefined) =>
    Object.entries(row)
      .filter(([column]) => column !== number)
      .map(([column, value]): [string, unknown] => [
        column,
        column === file ? content : instants.has(column) && value !== null ? new Date(value) : value,
      ])
  let count = 0
  // one that points to another of its own kind can only do so once both are there
  const later: (readonly [number, number])[] = []
  for await (const batch of batches(rows, number || file ? 1 : TOGETHER)) {
    const contents = await written(path, batch[0]!.line, () =>
      Promise.all(batch.map(({ row }) => fileTaken(files, kind, row))),
    )
    const entries = batch.map(({ line, row }, index) =>
      at(path, line, () => {
        refuseOtherRecord(kind, row)
        for (const column of shaped) if (row[column] !== null) refuseOtherShape(kind.id, column, String(row[column]))
        const self = kind.refersTo && Object.entries(kind.refersTo).find(([, table]) => table === kind.id)?.[0]
        const pointed = self ? row[self] : null
        if (self && pointed !== null) later.push([Number(row[number!]), Number(pointed)])
        const shown = kind.id === 'planned_post' && !hasPictures ? withoutPictures(row) : row
        const given = { ...shown, ...(self && { [self]: null }), ...(number && { [number]: 0 }) }
        const moved = renumbered(kind, given, (table, old) => (table === kind.id ? 0 : elsewhere(table, old)))
        if (moved.facet === 'page') moved.part = codes.get(String(moved.part)) ?? moved.part!
        return toDatabase((HERE[kind.id] ?? ((same) => same))(moved), contents[index])
      }),
    )
    if (number) {
      const id = await insertOne(db, kind.id, entries[0]!, { path, line: batch[0]!.line, codes })
      own.set(Number(batch[0]!.row[number]), id)
    } else {
      await written(path, batch[0]!.line, () =>
        db.insertRows(
          kind.id,
          entries[0]!.map(([column]) => column),
          entries.map((entry) => entry.map(([, value]) => value)),
        ),
      )
    }
    count += batch.length
    await told(batch.length)
  }
  for (const [from, to] of later)
    await db.run(sql`
      UPDATE edition SET superseded_by = ${elsewhere('edition', to)}
      WHERE  client_id = ${db.client} AND edition_id = ${elsewhere('edition', from)}`)
  return count
}

async function insertOne(
  db: ClientDb,
  table: string,
  entry: readonly (readonly [string, unknown])[],
  { path, line, codes }: { path: string; line: number; codes: Map<string, string> },
): Promise<number> {
  // a code of a link is one of all clients': what another one has is given anew
  const code = entry.find(([column]) => column === 'code')?.[1] as string | undefined
  for (const isNew of [false, true]) {
    const fresh = newCode(randomInt)
    const row = isNew ? entry.map(([column, value]) => [column, column === 'code' ? fresh : value] as const) : entry
    try {
      const columns = raw(row.map(([column]) => column).join(', '))
      const { insertId } = await db.run(
        sql`INSERT INTO ${raw(table)} (client_id, ${columns}) VALUES (${db.client}, ${row.map(([, value]) => value)})`,
      )
      if (isNew) codes.set(code!, fresh)
      return insertId
    } catch (error) {
      const isTaken = (error as { errno?: number }).errno === 1062
      if (!isTaken || isNew || code === undefined) throw explained(error, path, line)
    }
  }
  throw new JobFailed(`${path}, line ${line}: there is no code left for it.`)
}

async function takeDataset(
  db: ClientDb,
  dataset: Dataset,
  path: string,
  rows: AsyncIterable<ReadLine>,
  { elsewhere, told }: Taking,
): Promise<number> {
  const texts = new Set(dataset.texts.filter(({ type }) => type === 'instant').map(({ column }) => column))
  let count = 0
  for await (const batch of batches(rows, TOGETHER)) {
    const parts = dataset.keys.some(({ type }) => type === 'part')
      ? await partIds(
          db,
          batch.map(({ row }) => String(row.part)),
        )
      : undefined
    const values = batch.map(({ line, row }) =>
      at(path, line, () => {
        refuseOtherRow(dataset, row)
        return [
          ...dataset.keys.map(({ column, type }) => {
            if (type === 'profile' || type === 'site') return elsewhere(type, Number(row[column]))
            if (type === 'part') return parts!(String(row.part))
            if (type === 'instant') return new Date(row[column]!)
            if (type !== 'breakdown') return row[column]
            const code = BREAKDOWN_CODES.get(String(row[column]))
            if (code === undefined) throw new JobFailed(`there is no breakdown “${row[column]}”`)
            return code
          }),
          ...dataset.texts.map(({ column }) =>
            texts.has(column) && row[column] !== null ? new Date(row[column]!) : (row[column] ?? null),
          ),
          ...dataset.measures.map(({ column, range: [least, most] = [0, MOST_COUNT] }) => {
            const value = row[column]
            if (value !== null && ((value as number) < least || (value as number) > most))
              throw new JobFailed(
                `${column} is ${value}, which is no count${most < MOST_COUNT ? ` from ${least} to ${most}` : ''}`,
              )
            return value
          }),
        ]
      }),
    )
    await written(path, batch[0]!.line, () =>
      db.insertRows(
        dataset.id,
        [...dataset.keys, ...dataset.texts, ...dataset.measures].map(({ column }) => column),
        values,
      ),
    )
    count += batch.length
    await told(batch.length)
  }
  return count
}

/** Rows some at a time. */
async function* batches<Row>(rows: AsyncIterable<Row>, most: number): AsyncGenerator<Row[]> {
  let batch: Row[] = []
  for await (const row of rows) {
    batch.push(row)
    if (batch.length < most) continue
    yield batch
    batch = []
  }
  if (batch.length > 0) yield batch
}

/** Does something with a line; what is wrong with it is said with its place. */
function at<T>(path: string, line: number, work: () => T): T {
  try {
    return work()
  } catch (error) {
    throw explained(error, path, line)
  }
}
const written = <T>(path: string, line: number, work: () => Promise<T>): Promise<T> =>
  work().catch((error: unknown) => {
    throw explained(error, path, line)
  })

/** What the database does not take is wrong with the package: twice the same, too long, or no such row. */
const NOT_TAKEN: Readonly<Record<number, string>> = {
  1062: 'it is there twice',
  1264: 'a number is too large',
  1265: 'a value is none that can stand there',
  1366: 'a value is none that can stand there',
  1406: 'a text is too long',
  1452: 'it belongs to something that is not in the package',
}

function explained(error: unknown, path: string, line: number): unknown {
  const reason =
    error instanceof JobFailed
      ? error.message
      : error instanceof SyntaxError
        ? 'a text is no JSON'
        : NOT_TAKEN[(error as { errno?: number }).errno ?? 0]
  // what one line says wrong is known to be in it; what the database refuses, to be in one of those that go together
  const isOfLine = error instanceof JobFailed || error instanceof SyntaxError
  return reason === undefined
    ? error
    : new JobFailed(`${path}, line ${line}${isOfLine ? '' : ' or one of those after it'}: ${reason}.`)
}
