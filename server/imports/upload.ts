import { createHash } from 'node:crypto'
import iconv from 'iconv-lite'
import { parse } from 'csv-parse/sync'
import { detectEncoding } from '../../core/imports/encoding'
import { chooseDelimiter, DELIMITERS, describeLayout, guessTargets, type Layout } from '../../core/imports/layout'
import type { MappingInput } from '../../shared/imports'
import { LARGEST_IMPORT_BYTES } from '../../shared/imports'
import type { ClientDb } from '../db/clientDb'
import { sql } from '../db/sql'
import { badRequest, Problem } from '../problems/problem'

const CHUNK_BYTES = 1024 * 1024
const SAMPLE_BYTES = 256 * 1024

/**
 * Takes in a file piece by piece and finds out how it is laid out. The file is kept in the database, so that any process can go on with it.
 *
 * @returns the id of the new import
 * @throws  Problem when the file is empty, too large or not a table
 */
export async function takeUpload(db: ClientDb, person: number, fileName: string, stream: AsyncIterable<Uint8Array>): Promise<number> {
  const { insertId } = await db.run(sql`INSERT INTO import (client_id, file_name, state, created_by) VALUES (${db.client}, ${fileName}, 'uploading', ${person})`)
  try {
    const bytes = await keepChunks(db, insertId, stream)
    if (bytes === 0) throw badRequest('The file is empty.')
    const layout = layoutOf(await beginning(db, insertId), bytes > SAMPLE_BYTES)
    const mapping = await firstMapping(db, layout)
    await db.run(sql`
      UPDATE import
      SET    state = 'uploaded', bytes = ${bytes}, layout = ${JSON.stringify(layout)}, mapping = ${JSON.stringify(mapping)}
      WHERE  client_id = ${db.client}
      AND    import_id = ${insertId}`)
    return insertId
  } catch (error) {
    await db.run(sql`DELETE FROM import WHERE client_id = ${db.client} AND import_id = ${insertId}`)
    throw error instanceof RangeError ? badRequest(error.message) : error
  }
}

async function keepChunks(db: ClientDb, importId: number, stream: AsyncIterable<Uint8Array>): Promise<number> {
  let waiting: Uint8Array[] = []
  let waitingBytes = 0
  let bytes = 0
  let chunk = 0
  const flush = async () => {
    if (waitingBytes === 0) return
    await db.insertRows('import_chunk', ['import_id', 'chunk', 'content'], [[importId, chunk++, Buffer.concat(waiting)]])
    waiting = []
    waitingBytes = 0
  }
  for await (const part of stream) {
    bytes += part.length
    if (bytes > LARGEST_IMPORT_BYTES) throw new Problem(413, 'Too large', 'A file can have 300 MB at the most. Split it by year and import the parts.')
    waiting.push(part)
    waitingBytes += part.length
    if (waitingBytes >= CHUNK_BYTES) await flush()
  }
  await flush()
  return bytes
}

async function beginning(db: ClientDb, importId: number): Promise<Buffer> {
  const row = await db.one<{ content: Buffer }>(sql`SELECT content FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${importId} AND chunk = 0`)
  return row!.content.subarray(0, SAMPLE_BYTES)
}

/** How a file is laid out, from its beginning. `isCut` says that the file goes on after it. */
export function layoutOf(sample: Buffer, isCut: boolean): Layout {
  if (sample.subarray(0, 4).equals(Buffer.from('PK\u0003\u0004', 'latin1'))) throw badRequest('This is a workbook or an archive, not a text file. Save the sheet as CSV and bring that.')
  const encoding = detectEncoding(sample)
  let text = iconv.decode(sample, encoding)
  if (text.includes('\u0000')) throw badRequest('This is not a text file. Export the figures as CSV or TSV.')
  if (isCut) text = text.slice(0, Math.max(text.lastIndexOf('\n'), 0) || text.length)
  const delimiter = chooseDelimiter(new Map(DELIMITERS.map((candidate) => [candidate, records(text, candidate).map(({ record }) => record)])))
  const read = records(text, delimiter)
  return describeLayout(read.map(({ record }) => record), read.map(({ info }) => info.lines), encoding, delimiter)
}

/** The options under which every file is read. */
export const PARSING = { bom: true, relax_column_count: true, relax_quotes: true, skip_empty_lines: true } as const

interface SampleRecord {
  record: string[]
  info: { lines: number }
}

/** The first records of a text. One that breaks off in the middle of a quoted cell ends with the record before. */
function records(text: string, delimiter: string): SampleRecord[] {
  const found: SampleRecord[] = []
  try {
    parse(text, { ...PARSING, delimiter, to: 400, info: true, on_record: (given: unknown) => (found.push(given as SampleRecord), null) })
  } catch (error) {
    if (!(error as { code?: string }).code?.startsWith('CSV_')) throw error
  }
  return found
}

/** Under which headings a mapping is remembered. */
export const signatureOf = ({ headings }: Layout): string => createHash('sha256').update(JSON.stringify(headings)).digest('hex')

/** The mapping that was last used for the same headings, or a first guess. The order of dates comes from the file, and is never guessed. */
async function firstMapping(db: ClientDb, layout: Layout): Promise<Partial<MappingInput>> {
  const remembered = await db.one<{ mapping: string }>(sql`SELECT mapping FROM import_memory WHERE client_id = ${db.client} AND signature = ${signatureOf(layout)}`)
  const guess = remembered ? (JSON.parse(remembered.mapping) as MappingInput) : { targets: guessTargets(layout.headings), profile: null }
  const day = guess.targets.indexOf('day')
  const order = day < 0 ? 'none' : layout.dateOrders[day]
  return { ...guess, decimal: layout.decimal, dateOrder: order === 'ambiguous' || order === 'none' ? undefined : order }
}

