/** What a column holds: it decides how a cell is written, so that an id stays text and a share is a percentage. */
export type CellKind = 'text' | 'count' | 'number' | 'share' | 'day'

export interface Column {
  title: string
  kind: CellKind
}

/** A table to be taken away: what a view or a block shows, with its numbers in full. */
export interface Table {
  name: string
  columns: Column[]
  rows: (string | number | null | undefined)[][]
}

/**
 * A text as it may stand in a spreadsheet: what a spreadsheet would take for a formula begins with an apostrophe, so that nothing is run.
 *
 * @example neutral('=HYPERLINK("x")') // '\'=HYPERLINK("x")'
 */
export const neutral = (text: string): string => (/^[=+\-@\t\r＝＋－＠]/u.test(text) ? `'${text}` : text)
