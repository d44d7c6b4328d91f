import { array, number, object, string, type InferType } from 'yup'
import { FACT_COLUMNS } from '../core/metrics/metric'

/** The largest file that is taken, in bytes. */
export const LARGEST_IMPORT_BYTES = 300 * 1024 * 1024

/** How the columns of a file are matched. */
export const mappingSchema = object({
  targets: array(string().oneOf(['', 'day', 'profile_id', 'handle', ...FACT_COLUMNS]).defined()).min(2).max(500).required(),
  dateOrder: string().oneOf(['year-month-day', 'day-month-year', 'month-day-year'], 'Say in which order the dates give day and month.').required('Say in which order the dates give day and month.'),
  decimal: string().oneOf(['point', 'comma']).required(),
  profile: number().integer().nullable().default(null),
})
export type MappingInput = InferType<typeof mappingSchema>

/** What a check of a file has found. */
export interface ImportSummary {
  rows: number
  good: number
  bad: number
  totals: number
  added: number
  changed: number
  same: number
  from: string | null
  to: string | null
  profiles: number
}
