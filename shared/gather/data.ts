import type { Day } from '../../core/days/day'

/** How much of a dataset is kept of a client. */
export interface KeptDataset {
  id: string
  name: string
  /** What one row of it is, in words. */
  grain: string
  sources: readonly ('network' | 'file')[]
  rows: number
  profiles: number
  from: Day | null
  to: Day | null
  /** For how many days a row stays; null: for ever. */
  keptDays: number | null
}
