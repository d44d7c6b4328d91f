import { looksLikeFormula } from '../../../core/format/looksLikeFormula'
import type { Unit } from '../../../core/metrics/metric'

/**
 * What a cell holds: it decides how it is written, so that an id stays text, a share is a percentage and a day is a
 * date.
 */
export type CellKind = 'text' | 'count' | 'number' | 'share' | 'day' | 'instant'

export interface Column {
  title: string
  /** How its cells are written; in a column of `number` a cell may say it for itself. */
  kind: CellKind
}

/** A value that is not of its column's kind: in a list of figures every row has a unit of its own. */
export interface TypedCell {
  value: number | null | undefined
  kind: CellKind
}

/** A day is written as 2026-10-28, an instant as ISO 8601 with its offset: 2026-10-28T09:15:00+01:00. */
export type Cell = string | number | null | undefined | TypedCell

/** A table to be taken away: what a view or a block shows, with its numbers in full. */
export interface Table {
  name: string
  columns: Column[]
  rows: Cell[][]
}

/** The kind of cell that a unit is written in. */
export const KIND_OF_UNIT: Record<Unit, CellKind> = {
  count: 'count',
  people: 'count',
  share: 'share',
  times: 'number',
  seconds: 'number',
}

/** What a cell holds, whichever way it is given. */
export const valueOf = (cell: Cell): string | number | null =>
  cell !== null && typeof cell === 'object' ? (cell.value ?? null) : (cell ?? null)

/**
 * A text as it may stand in a file without types: what a spreadsheet would take for a formula, blanks and line ends
 * before it included, begins with an apostrophe, so that nothing is run.
 *
 * @example neutral('=HYPERLINK("x")') // '\'=HYPERLINK("x")'
 */
export const neutral = (text: string): string => (looksLikeFormula(text) ? `'${text}` : text)
