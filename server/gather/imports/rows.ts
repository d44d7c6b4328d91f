import { Readable } from 'node:stream'
import iconv from 'iconv-lite'
import { parse, type Parser } from 'csv-parse'
import type { Layout } from '../../../core/imports/layout'
import { Unreadable } from '../../../core/unreadable'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { PARSING } from './upload'

/**
 * How many letters one row of a file may have, in its text; and how many a batch has at the most, so that memory stays
 * flat.
 */
const LONGEST_ROW = 1_000_000
const BATCH_LETTERS = 4_000_000

/** The bytes of an uploaded file, read chunk by chunk. */
async function* chunksOf(db: ClientDb, importId: number, onBytes: (content: Buffer) => void): AsyncGenerator<Buffer> {
  for (let chunk = 0; ; chunk++) {
    const row = await db.one<{ content: Buffer }>(
      sql`SELECT content FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${importId} AND chunk = ${chunk}`,
    )
    if (!row) return
    onBytes(row.content)
    yield row.content
  }
}

/** A row of a file with the line on which it ends. */
export interface FileRow {
  line: number
  cells: string[]
  /** The file ends with this row and without a line break: it may have been cut off here. */
  isOpen?: boolean
}

/**
 * The rows below the headings of an uploaded file, in batches, with flat memory: while one batch is worked with, the
 * next is read.
 *
 * @param onBytes  told how many more bytes were read
 * @throws         Unreadable when the file is no table, or has a row that is too long; the row is named
 */
export const rowBatches = (...asked: Parameters<typeof batchesOf>): AsyncIterable<FileRow[]> =>
  Readable.from(batchesOf(...asked), { highWaterMark: 1 })

async function* batchesOf(
  db: ClientDb,
  importId: number,
  layout: Layout,
  batchRows: number,
  onBytes: (bytes: number) => void,
): AsyncGenerator<FileRow[]> {
  let end = Buffer.alloc(0)
  const parser: Parser = Readable.from(
    chunksOf(db, importId, (content) => {
      end = Buffer.concat([end, content.subarray(-4)]).subarray(-4)
      onBytes(content.length)
    }),
    { highWaterMark: 2 },
  )
    .pipe(iconv.decodeStream(layout.encoding))
    .pipe(parse({ ...PARSING, delimiter: layout.delimiter, info: true, max_record_size: LONGEST_ROW }))
  let skipped = 0
  let letters = 0
  let batch: FileRow[] = []
  let held: FileRow | undefined
  try {
    for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
      if (skipped++ <= layout.headerRecord) continue
      if (held) batch.push(held)
      held = { line: info.lines, cells: record }
      letters += record.reduce((sum, { length }) => sum + length, 0)
      if (batch.length < batchRows && letters < BATCH_LETTERS) continue
      yield batch
      batch = []
      letters = 0
    }
  } catch (error) {
    throw sayOf(error)
  }
  if (held) batch.push(/[\r\n]$/.test(iconv.decode(end, layout.encoding)) ? held : { ...held, isOpen: true })
  if (batch.length > 0) yield batch
}

/** What is wrong with a file that cannot be read as a table, with the row. */
function sayOf(error: unknown): unknown {
  const { code, lines = 0 } = error as { code?: string; lines?: number }
  if (!code?.startsWith('CSV_')) return error
  if (code === 'CSV_MAX_RECORD_SIZE')
    return new Unreadable(
      `Row ${lines} is longer than ${LONGEST_ROW.toLocaleString('en')} letters. Is a quotation mark opened ` +
        'there and not closed? Mend the row, or leave it out.',
    )
  const opened = / at line (\d+)/.exec((error as Error).message)?.[1] ?? lines
  if (code === 'CSV_QUOTE_NOT_CLOSED')
    return new Unreadable(
      `The file breaks off: the quotation mark that is opened in row ${opened} is never closed. Bring the whole file, or close it there.`,
    )
  return new Unreadable(`The file cannot be read as a table: something is wrong in row ${lines}.`)
}
