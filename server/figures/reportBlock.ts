import type { Block } from '../../shared/report/blocks'
import type { ClientDb } from '../platform/database/clientDb'
import type { Table } from '../platform/tables/table'
import type { ResolvedScope } from './resolveScope'

/** What whoever asks may see beside the client's own figures. */
export interface Sight {
  rivals: boolean
}

/** What a block is filled from: of a block of some profiles, the scope is narrowed to them. */
export interface BlockAsked {
  db: ClientDb
  scope: ResolvedScope
  block: Block
  /** The metric that it is about first. */
  metric: string
  sight: Sight
}

/**
 * One kind of block of a report, as the server knows it. The room of a page brings its own; `server/report/blocks/kinds.ts`
 * lists them all.
 *
 * @typeParam Filled  what an edition freezes of it
 */
export interface ReportBlock<Filled extends { kind: string }> {
  fill: (asked: BlockAsked) => Promise<Omit<Filled, 'kind'>>
  /** What it shows, as a table to be taken away; instants are given in the client's time zone. */
  tableOf?: (filled: Omit<Filled, 'kind'>, zone: string) => Table
  /** What is missing in it, in sentences, for whoever issues it. */
  missingIn?: (filled: Omit<Filled, 'kind'>) => string[]
}
