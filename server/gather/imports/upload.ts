import { createHash } from 'node:crypto'
import { statfs } from 'node:fs/promises'
import iconv from 'iconv-lite'
import { parse } from 'csv-parse/sync'
import { stringify } from 'csv-stringify/sync'
import { datasetById, PROFILE_DAY } from '../../../core/datasets/datasets'
import { columnContents, guessByContents } from '../../../core/imports/columnContents'
import { detectEncoding } from '../../../core/imports/encoding'
import {
  chooseDelimiter,
  DELIMITERS,
  describeLayout,
  guessDataset,
  guessTargets,
  type Layout,
} from '../../../core/imports/layout'
import { dateTarget } from '../../../core/imports/importTargets'
import { Unreadable } from '../../../core/unreadable'
import type { MappingInput } from '../../../shared/gather/imports'
import {
  LARGEST_IMPORT_BYTES,
  LARGEST_JSON_BYTES,
  LARGEST_WORKBOOK_BYTES,
  MOST_OF_CLIENT_BYTES,
  MOST_OF_PERSON_BYTES,
} from '../../../shared/gather/imports'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { enqueue } from '../../platform/jobs/queue'
import { badRequest, Problem } from '../../platform/problems/problem'
import { knownProfiles } from './batches'
import { isJson, tooLargeJson } from './jsonFile'
import { isWorkbook, tooLargeWorkbook } from '../../platform/tables/workbook'
import { IMPORT_OPEN } from './jobs'

const CHUNK_BYTES = 1024 * 1024
const SAMPLE_BYTES = 256 * 1024
/** How many chunks are taken between two looks at the room that is left. */
const CHUNKS_BETWEEN_LOOKS = 8

/** How many bytes may be kept of a client, and brought by a person within a day. */
interface UploadLimits {
  client: number
  person: number
}
const LIMITS: UploadLimits = { client: MOST_OF_CLIENT_BYTES, person: MOST_OF_PERSON_BYTES }

/**
 * Takes in a file piece by piece and finds out how it is laid out. The file is kept in the database, so that any
 * process can go on with it.
 *
 * @returns the id of the new import
 * @throws  Problem when the file is empty, too large or not a table, or when there is no room for it
 */
export async function takeUpload(
  db: ClientDb,
  person: number,
  fileName: string,
  stream: AsyncIterable<Uint8Array>,
  limits = LIMITS,
): Promise<number> {
  await refuseTooMuch(db, person, limits)
  const { insertId } = await db.run(
    sql`INSERT INTO import (client_id, file_name, state, created_by) VALUES (${db.client}, ${fileName}, 'uploading', ${person})`,
  )
  try {
    const bytes = await keepChunks(db, insertId, stream, () => refuseTooMuch(db, person, limits))
    if (bytes === 0) throw badRequest('The file is empty.')
    const sample = await beginning(db, insertId)
    if (isWorkbook(sample)) await openLater(db, insertId, bytes, person, LARGEST_WORKBOOK_BYTES, tooLargeWorkbook())
    else if (isJson(sample)) await openLater(db, insertId, bytes, person, LARGEST_JSON_BYTES, tooLargeJson())
    else await describeFile(db, insertId, layoutOf(sample, bytes > SAMPLE_BYTES), bytes)
    return insertId
  } catch (error) {
    await db.run(sql`DELETE FROM import WHERE client_id = ${db.client} AND import_id = ${insertId}`)
    throw error instanceof Unreadable ? badRequest(error.message) : error
  }
}

/** A workbook is unpacked, and JSON parsed, by a job: that takes long, and can take much. */
async function openLater(
  db: ClientDb,
  importId: number,
  bytes: number,
  person: number,
  most: number,
  tooLarge: string,
): Promise<void> {
  if (bytes > most) throw new Problem(413, 'Too large', tooLarge)
  await db.transaction(async (inside) => {
    await inside.run(
      sql`UPDATE import SET state = 'opening', bytes = ${bytes} WHERE client_id = ${inside.client} AND import_id = ${importId}`,
    )
    await enqueue(inside, IMPORT_OPEN, importId, {}, person)
  })
}

/** Keeps what was found of a file's columns, with a first matching: from here on it can be checked. */
export async function describeFile(db: ClientDb, importId: number, seen: Layout, bytes: number): Promise<void> {
  const layout = {
    ...seen,
    contents: columnContents(seen.headings.length, seen.sample, seen.decimal, await knownProfiles(db)),
  }
  const mapping = await firstMapping(db, layout)
  await db.run(sql`
    UPDATE import
    SET    state = 'uploaded', bytes = ${bytes}, layout = ${JSON.stringify(layout)}, mapping = ${JSON.stringify(mapping)}
    WHERE  client_id = ${db.client}
    AND    import_id = ${importId}`)
}

/**
 * Rows as text in the place of the workbook or JSON that they were in: every row is a line of the text.
 *
 * @param of  what they were in
 */
export async function replaceByRows(
  db: ClientDb,
  importId: number,
  rows: string[][],
  of: Pick<Layout, 'sheet' | 'isJson'>,
): Promise<void> {
  const text = Buffer.from(stringify(rows))
  const layout = {
    ...layoutOf(text.subarray(0, SAMPLE_BYTES), text.length > SAMPLE_BYTES),
    ...of,
  }
  await db.run(sql`DELETE FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${importId}`)
  for (let chunk = 0; chunk * CHUNK_BYTES < text.length; chunk++) {
    await db.insertRows(
      'import_chunk',
      ['import_id', 'chunk', 'content'],
      [[importId, chunk, text.subarray(chunk * CHUNK_BYTES, (chunk + 1) * CHUNK_BYTES)]],
    )
  }
  await describeFile(db, importId, layout, text.length)
}

async function keepChunks(
  db: ClientDb,
  importId: number,
  stream: AsyncIterable<Uint8Array>,
  quota: () => Promise<void>,
): Promise<number> {
  let waiting: Uint8Array[] = []
  let waitingBytes = 0
  let bytes = 0
  let chunk = 0
  const flush = async () => {
    if (waitingBytes === 0) return
    await db.transaction(async (inside) => {
      await inside.insertRows(
        'import_chunk',
        ['import_id', 'chunk', 'content'],
        [[importId, chunk, Buffer.concat(waiting)]],
      )
      await inside.run(
        sql`UPDATE import SET bytes = ${bytes} WHERE client_id = ${inside.client} AND import_id = ${importId}`,
      )
    })
    // others bring files at the same time, and the disk is everybody's
    if (chunk++ % CHUNKS_BETWEEN_LOOKS === 0) await quota()
    waiting = []
    waitingBytes = 0
  }
  for await (const part of stream) {
    bytes += part.length
    if (bytes > LARGEST_IMPORT_BYTES)
      throw new Problem(413, 'Too large', 'A file can have 300 MB at the most. Split it by year and import the parts.')
    waiting.push(part)
    waitingBytes += part.length
    if (waitingBytes >= CHUNK_BYTES) await flush()
  }
  await flush()
  await quota()
  return bytes
}

/** Whether there is room for what is being brought: for the client, for the person, and on the disk. */
async function refuseTooMuch(db: ClientDb, person: number, limits: UploadLimits): Promise<void> {
  const kept = (await db.one<{ ofClient: number; ofPerson: number }>(sql`
    SELECT COALESCE(SUM(IF(EXISTS (SELECT 1 FROM import_chunk c WHERE c.client_id = i.client_id
    AND c.import_id = i.import_id), i.bytes, 0)), 0) AS ofClient,
           COALESCE(SUM(IF(i.created_by = ${person} AND i.created_at > NOW() - INTERVAL 1 DAY, i.bytes, 0)), 0) AS ofPerson
    FROM   import i
    WHERE  i.client_id = ${db.client}`))!
  if (kept.ofClient > limits.client)
    throw new Problem(
      413,
      'Too much',
      `The files that are kept of this client would have more than ${size(limits.client)} together. Remove ` +
        'some that are not needed any more.',
    )
  if (kept.ofPerson > limits.person)
    throw new Problem(
      413,
      'Too much',
      `You have brought more than ${size(limits.person)} of files within a day. Go on tomorrow.`,
    )
  if ((await freeBytes()) < LEAST_FREE_BYTES)
    throw new Problem(
      507,
      'No room',
      'The disk of the application is nearly full, so the file was not taken. Tell whoever runs the application.',
    )
}

const size = (bytes: number): string =>
  bytes >= 1024 ** 3 ? `${Math.round(bytes / 1024 ** 3)} GB` : `${Math.max(1, Math.round(bytes / 1024 ** 2))} MB`

/** Room on the disk that is left for everything else. */
const LEAST_FREE_BYTES = Number(process.env.ZAFFER_LEAST_FREE_MB ?? 400) * 1024 * 1024

/** How much room there is where the private database stands; a database of one's own is not ours to watch. */
async function freeBytes(): Promise<number> {
  const folder = process.env.ZAFFER_DATABASE_FOLDER
  if (!folder) return Number.POSITIVE_INFINITY
  const { bavail, bsize } = await statfs(folder)
  return bavail * bsize
}

async function beginning(db: ClientDb, importId: number): Promise<Buffer> {
  const row = await db.one<{ content: Buffer }>(
    sql`SELECT content FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${importId} AND chunk = 0`,
  )
  return row!.content.subarray(0, SAMPLE_BYTES)
}

/** How a file is laid out, from its beginning. `isCut` says that the file goes on after it. */
export function layoutOf(sample: Buffer, isCut: boolean): Layout {
  const encoding = detectEncoding(sample)
  let text = iconv.decode(sample, encoding)
  if (text.includes('\u0000')) throw new Unreadable('This is not a text file. Export the figures as CSV or TSV.')
  if (isCut && !/[\r\n]/.test(text))
    throw new Unreadable(
      `The first line of the file is longer than ${(SAMPLE_BYTES / 1024).toLocaleString('en')} kB. A table ` +
        'has a line for its headings and one for every row.',
    )
  if (isCut) text = text.slice(0, Math.max(text.lastIndexOf('\n'), text.lastIndexOf('\r'), 0))
  const delimiter = chooseDelimiter(
    new Map(DELIMITERS.map((candidate) => [candidate, records(text, candidate).map(({ record }) => record)])),
  )
  const read = records(text, delimiter)
  return describeLayout(
    read.map(({ record }) => record),
    read.map(({ info }) => info.lines),
    encoding,
    delimiter,
  )
}

/** The options under which every file is read. */
export const PARSING = {
  bom: true,
  relax_column_count: true,
  relax_quotes: true,
  skip_empty_lines: true,
  skip_records_with_empty_values: true,
} as const

interface SampleRecord {
  record: string[]
  info: { lines: number }
}

/** The first records of a text. One that breaks off in the middle of a quoted cell ends with the record before. */
function records(text: string, delimiter: string): SampleRecord[] {
  const found: SampleRecord[] = []
  try {
    parse(text, {
      ...PARSING,
      delimiter,
      to: 400,
      info: true,
      on_record: (given: unknown) => (found.push(given as SampleRecord), null),
    })
  } catch (error) {
    if (!(error as { code?: string }).code?.startsWith('CSV_')) throw error
  }
  return found
}

/** Under which headings a mapping is remembered. */
export const signatureOf = ({ headings }: Layout): string =>
  createHash('sha256').update(JSON.stringify(headings)).digest('hex')

/** What a file holds, by its headings and what stands below them. */
function guessed({ headings, contents = [] }: Layout) {
  const dataset = guessDataset(headings)
  const targets = guessTargets(headings, dataset)
  return {
    dataset: dataset.id,
    targets: dataset === PROFILE_DAY ? guessByContents(targets, contents) : targets,
    profile: null,
    site: null,
  }
}

/**
 * The mapping that was last used for the same headings, or a first guess. The order of dates comes from the file, and
 * is never guessed.
 */
async function firstMapping(db: ClientDb, layout: Layout): Promise<Partial<MappingInput>> {
  const remembered = await db.one<{ mapping: string }>(
    sql`SELECT mapping FROM import_memory WHERE client_id = ${db.client} AND signature = ${signatureOf(layout)}`,
  )
  const guess = remembered ? (JSON.parse(remembered.mapping) as MappingInput) : guessed(layout)
  // what was remembered before there were several kinds is of days
  const day = guess.targets.indexOf(dateTarget(datasetById(guess.dataset ?? PROFILE_DAY.id)))
  const order = day < 0 ? 'none' : layout.dateOrders[day]
  return { ...guess, decimal: layout.decimal, dateOrder: order === 'ambiguous' || order === 'none' ? undefined : order }
}
