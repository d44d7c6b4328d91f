import type { FilledBlock } from '../../../shared/report/reportContent'
import type { Table } from '../../platform/tables/table'
import { reportBlockOf } from './kinds'

/**
 * What a block shows, as one table; a text has none.
 *
 * @param zone  the client's time zone, in which instants are given
 */
export function tableOf(block: FilledBlock, zone: string): Table | undefined {
  if (block.kind === 'broken') return undefined
  const table = reportBlockOf(block.kind).tableOf?.(block, zone)
  return table && { ...table, name: `${block.title || table.name}${block.who ? `, ${block.who}` : ''}` }
}
