import type { Readable } from 'node:stream'
import contentDisposition from 'content-disposition'
import { getQuery, setResponseHeader, type H3Event } from 'h3'
import { aboutSheet, fileName, withAbout, type About } from '../tables/about'
import type { Table } from '../tables/table'
import { toCsv } from '../tables/toCsv'
import { toXlsx } from '../tables/toXlsx'
import { badRequest } from '../problems/problem'

const TYPES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
}

/**
 * Sends tables as a file: a workbook with a sheet each or, of one table, CSV. The file says what it is about, in its
 * name and within.
 *
 * @param what   what it shows: the beginning of its name
 * @param about  of which client and period it is; absent where it is of none
 */
export async function sendTables(
  event: H3Event,
  what: string,
  tables: readonly Table[],
  about?: About,
): Promise<Readable | string> {
  const { format } = getQuery(event)
  if (tables.length === 0) throw badRequest('There is no table to take here.')
  if (format !== 'csv' && format !== 'xlsx') throw badRequest('Ask for csv or xlsx.')
  if (format === 'csv' && tables.length > 1) throw badRequest('CSV holds one table. Choose one, or take the workbook.')
  nameFile(event, about ? fileName(what, about) : what, format)
  setResponseHeader(event, 'Content-Type', TYPES[format])
  if (format === 'csv') return toCsv(about ? withAbout(tables[0]!, about) : tables[0]!)
  return toXlsx(about ? [...tables, aboutSheet(about)] : tables)
}

/** Names a file that is taken away. Signs that some system does not allow in a name are left out. */
export function nameFile(
  event: H3Event,
  name: string,
  ending: string,
  type: 'attachment' | 'inline' = 'attachment',
): void {
  const plain =
    name
      .replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 150) || 'table'
  setResponseHeader(event, 'Content-Disposition', contentDisposition(`${plain}.${ending}`, { type }))
}
