import type { Period } from '../../core/periods/period'
import type { Since } from '../figures/description'
import type { BlockKind, FilledOf } from './blocks'
import type { Note } from '../figures/notes'

/**
 * Everything that a report says for one period: what the screen, the shared link and the PDF show, and what an edition
 * freezes.
 */
export interface ReportContent {
  /** Since 2 the texts have bold, lists and links in them. */
  format: 1 | 2
  agency: { name: string; address: string; contact: string; colour: string; logo: string | null }
  client: string
  /** The client's time zone; absent in editions of before it was kept. */
  timeZone?: string
  title: string
  who: string
  period: Period
  periodWords: string
  against: { period: Period; words: string } | null
  figuresUpTo: string
  /**
   * Profiles for which the report reaches back further than their figures do; absent in editions of before this was
   * told.
   */
  since?: Since[]
  notes: Note[]
  blocks: FilledBlock[]
}

/** A block with its figures in it; one that cannot be filled says why. */
export type FilledBlock = BlockBase & ({ [Kind in BlockKind]: FilledOf<Kind> }[BlockKind] | BrokenBlock)

export interface BrokenBlock {
  kind: 'broken'
  problem: string
}

export interface BlockBase {
  id: string
  title: string
  /** What stands over it where nobody gave it a title; absent in editions of before this was kept. */
  heading?: string
  comment: string
  /** Of whom, in words, where that is not everybody of the report. */
  who?: string
  /** Which form of its kind this is, where that is not the first. */
  version?: number
}
