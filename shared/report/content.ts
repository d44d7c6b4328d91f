import type { Period } from '../../core/periods/period'
import type { Since } from '../figures/description'
import type { Note } from '../figures/notes'
import type { ComparedFigure } from '../../core/rollup/compareFigures'
import type { MetricLine, RowFigures, Grouping } from '../read/overview'
import type { SplitView } from '../read/parts'
import type { Subject } from '../read/subject'
import type { TargetView } from '../read/targets'
import type { ListedPost } from '../read/content'
import type { WhatIsOpen } from '../clients'
import type { ProfileSearch } from '../gather/find'
import type { Why } from '../read/why'
import type { UnusualFinding } from '../read/unusual'

/** The state and coverage of a profile, as a report shows them. */
export interface ProfileRowOf {
  name: string
  networkName: string
  remoteId: string
  state: string
  oldest: string | null
  strip: Period
  missing: Period[]
}

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

/** A block with its figures in it. */
export type FilledBlock = BlockBase &
  (
    | { kind: 'figures'; figures: ComparedFigure[] }
    | { kind: 'chart'; line: MetricLine; second?: MetricLine; isIndex?: boolean }
    | { kind: 'table'; metrics: string[]; rows: RowFigures[]; by?: Grouping }
    | { kind: 'parts'; split: SplitView }
    | { kind: 'subject'; subject: Subject }
    | { kind: 'targets'; targets: TargetView[] }
    | { kind: 'posts'; order: string; posts: ListedPost[] }
    | { kind: 'open'; open: WhatIsOpen }
    | { kind: 'profiles'; rows: ProfileRowOf[] }
    | { kind: 'found'; found: ProfileSearch | null; searchedAt: string | null }
    | { kind: 'why'; why: Why }
    | { kind: 'unusual'; metric: string; days: UnusualFinding[] }
    | { kind: 'text'; text: string }
    | { kind: 'page' }
    | { kind: 'broken'; problem: string }
  )

export interface BlockBase {
  id: string
  title: string
  comment: string
  /** Of whom, in words, where that is not everybody of the report. */
  who?: string
}
