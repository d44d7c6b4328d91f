/** A column that tells one row of a dataset from another. */
export interface KeyColumn {
  column: string
  type: 'profile' | 'site' | 'day' | 'instant' | 'id' | 'text' | 'breakdown' | 'part'
  /** How many letters a text can have. */
  longest?: number
  meaning: string
}

/** A figure of a dataset. */
export interface Measure {
  column: string
  /**
   * How it is put together over rows: flows are added; of a stock the last counts; people are never added; a breakdown
   * says it itself (core/breakdowns); of some the mean is told.
   */
  rollUp: 'flow' | 'stock' | 'unique' | 'mean' | 'by its breakdown'
  /** Its place where a set of columns is kept as one number; never given to another. */
  bit: number
  /** The least and the most that it can be, where that is less than any count. */
  range?: readonly [number, number]
  meaning: string
}

/** What is written of a row beside its figures. */
export interface TextColumn {
  column: string
  type: 'text' | 'instant' | 'day'
  longest?: number
  /** What stands there where a file does not say it. */
  usual?: string
  /** Of a day: the instant of which it is the day, so that a file does not say it again. */
  of?: string
  /** Of an instant: whether a row is one without it. */
  isOptional?: true
  bit: number
  meaning: string
}

/**
 * A kind of data that is stored, declared once: import, undo, sync, coverage, retention and what a client takes away
 * read it from here.
 */
export interface Dataset {
  /** Its table, whose rows begin with their client. */
  id: string
  name: string
  /** What one row is, in words. */
  grain: string
  /** What tells rows apart, beside the client. */
  keys: readonly KeyColumn[]
  /** The column that says to which day a row belongs. */
  day: string
  measures: readonly Measure[]
  texts: readonly TextColumn[]
  /**
   * Where rows come from. What can come from files keeps, row by row, which import has written it and which of its
   * columns, and is brought back when that is undone.
   */
  sources: readonly ('network' | 'file')[]
  /**
   * The stream that brings it, row by row as they are stored, and the networks that give it; absent where a row is put
   * together from something else.
   */
  stream?: { id: string; networks: readonly string[] }
  /** For how many days a row is kept; absent: for ever. */
  keptDays?: number
}

/** Every column of a dataset that is no key: its texts, then its figures. */
export const valueColumns = ({ texts, measures }: Dataset): string[] =>
  [...texts, ...measures].map(({ column }) => column)

/**
 * What tells a row from another, as one text.
 *
 * @example rowKey([12, '2026-10-01']) // '[12,"2026-10-01"]'
 */
export const rowKey = (keys: readonly (number | string)[]): string => JSON.stringify(keys)

/** The keys that a text of `rowKey` holds. */
export const keysOf = (text: string): (number | string)[] => JSON.parse(text) as (number | string)[]
