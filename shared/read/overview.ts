import type { DayPoint } from '../../core/series/dailyPoints'
import type { ComparedFigure } from '../../core/rollup/compareFigures'
import type { Note } from '../figures/notes'

/** How many columns of figures a table can have. */
export const MOST_TABLE_COLUMNS = 8

/** How many figures can stand at the head of a page. */
export const MOST_HEADLINES = 10

/** How the rows of the table are made. */
export const GROUPINGS = ['profile', 'network', 'set'] as const
export type Grouping = (typeof GROUPINGS)[number]

/** A line over time: the period and the comparison, day by day. */
export interface MetricLine {
  metric: string
  current: DayPoint[]
  earlier?: DayPoint[]
  /** How many profiles could have data on a day. */
  expected: number
}

/** A row of the table: one profile, or the profiles of a network or a set together. */
export interface RowFigures {
  /** The profile of the row; absent for a row of several. */
  profile?: number
  /** The row's profiles as they stand in an address. */
  who: string
  /** The network's own id of the profile, of a row of one. */
  id?: string
  name: string
  network: string
  /** What stands beside the name: the network, or how many profiles there are. */
  networkName: string
  figures: Record<string, ComparedFigure>
  firstFetch: boolean
}

export interface Overview {
  figures: ComparedFigure[]
  sparklines: Record<string, DayPoint[]>
  line: MetricLine
  second?: MetricLine
  /** The metrics of the table's columns. */
  metrics: readonly string[]
  by: Grouping
  profiles: RowFigures[]
  notes: Note[]
}
