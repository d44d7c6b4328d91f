import type { Working } from './working'

/**
 * How well a value is known. A bounded figure lies between `low` and `high`; an estimated one has a named best guess
 * inside them.
 */
export type Exactness = 'exact' | 'bounded' | 'estimated'

/** On how many of the profile-days that could have data there is data; of a rate, both of its parts. */
export interface Coverage {
  expected: number
  present: number
  /** Profiles with fewer days than expected. */
  partial: { profile: number; present: number; expected: number }[]
  /** Profiles whose network does not report the metric; they are no part of the figure. */
  unreported: number[]
  /** Profiles whose first fetch is still running: the figure will grow. */
  fetching?: number[]
}

/** A computed value with everything that is needed to judge it. */
export interface Figure {
  metric: string
  /**
   * The value: exact, or the estimate. Absent for a bounded figure without an estimate, and where there is nothing to
   * say.
   */
  value?: number
  low?: number
  /** Absent when nothing bounds it from above. */
  high?: number
  exactness: Exactness
  /** Why there is no value, in words. */
  reason?: string
  /** What has to be known about a value that there is, in words. */
  remark?: string
  /** What the value rests on: everything that was counted for it or, of a rate, its denominator. */
  observations: number
  /**
   * How far chance alone may carry it, at 95 %: of counts, and of rates of counts. It says nothing about what is
   * missing.
   */
  interval?: { low: number; high: number }
  coverage: Coverage
  /** How the value and its bounds came about; only where it was asked for. */
  working?: { value?: Working; low?: Working; high?: Working }
}
