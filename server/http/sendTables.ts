import type { Readable } from 'node:stream'
import { getQuery, setResponseHeader, type H3Event } from 'h3'
import type { Table } from '../exports/table'
import { toCsv } from '../exports/toCsv'
import { toXlsx } from '../exports/toXlsx'
import { badRequest } from '../problems/problem'

/** Sends tables as a file: a workbook with a sheet each or, of one table, CSV. */
export async function sendTables(event: H3Event, name: string, tables: readonly Table[]): Promise<Readable | string> {
  const { format } = getQuery(event)
  if (tables.length === 0) throw badRequest('There is no table to take here.')
  if (format !== 'csv' && format !== 'xlsx') throw badRequest('Ask for csv or xlsx.')
  if (format === 'csv' && tables.length > 1) throw badRequest('CSV holds one table. Choose one, or take the workbook.')
  const file = name.normalize('NFKD').replace(/[^\w.-]+/g, '-').replace(/^-+|-+$/g, '').toLowerCase() || 'table'
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${file}.${format}"`)
  setResponseHeader(event, 'Content-Type', format === 'csv' ? 'text/csv; charset=utf-8' : 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')
  return format === 'csv' ? toCsv(tables[0]!) : toXlsx(tables)
}
