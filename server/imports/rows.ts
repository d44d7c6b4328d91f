import { Readable } from 'node:stream'
import iconv from 'iconv-lite'
import { parse, type Parser } from 'csv-parse'
import type { Layout } from '../../core/imports/layout'
import type { ClientDb } from '../db/clientDb'
import { sql } from '../db/sql'
import { PARSING } from './upload'

/** The bytes of an uploaded file, read chunk by chunk. */
async function* chunksOf(db: ClientDb, importId: number, onBytes: (bytes: number) => void): AsyncGenerator<Buffer> {
  for (let chunk = 0; ; chunk++) {
    const row = await db.one<{ content: Buffer }>(sql`SELECT content FROM import_chunk WHERE client_id = ${db.client} AND import_id = ${importId} AND chunk = ${chunk}`)
    if (!row) return
    onBytes(row.content.length)
    yield row.content
  }
}

/** A row of a file with the line on which it ends. */
export interface FileRow {
  line: number
  cells: string[]
}

/**
 * The rows below the headings of an uploaded file, in batches, with flat memory.
 *
 * @param onBytes  told how many more bytes were read
 */
export async function* rowBatches(db: ClientDb, importId: number, layout: Layout, batchRows: number, onBytes: (bytes: number) => void): AsyncGenerator<FileRow[]> {
  const parser: Parser = Readable.from(chunksOf(db, importId, onBytes))
    .pipe(iconv.decodeStream(layout.encoding))
    .pipe(parse({ ...PARSING, delimiter: layout.delimiter, info: true }))
  let skipped = 0
  let batch: FileRow[] = []
  for await (const { record, info } of parser as AsyncIterable<{ record: string[]; info: { lines: number } }>) {
    if (skipped++ <= layout.headerRecord) continue
    batch.push({ line: info.lines, cells: record })
    if (batch.length < batchRows) continue
    yield batch
    batch = []
  }
  if (batch.length > 0) yield batch
}
