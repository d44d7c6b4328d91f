import { array, number, object, string, type InferType } from 'yup'
import { MOST_COLUMNS } from '../../core/imports/layout'
import { PROFILE_DAY } from '../../core/datasets/datasets'
import { ALL_TARGETS, FILE_DATASETS } from '../../core/imports/importTargets'
import type { Layout } from '../../core/imports/layout'
import type { Mapping } from '../../core/imports/rowReader'

/** The largest file that is taken, in bytes. */
export const LARGEST_IMPORT_BYTES = 300 * 1024 * 1024

/** The largest workbook, in bytes: its sheets are read in memory. */
export const LARGEST_WORKBOOK_BYTES = 20 * 1024 * 1024

/** The largest JSON file, in bytes: it is parsed in memory. */
export const LARGEST_JSON_BYTES = 20 * 1024 * 1024

/** How much of files may be kept at once, in bytes: of one client, and what one person has brought within a day. */
export const MOST_OF_CLIENT_BYTES = 3 * 1024 * 1024 * 1024
export const MOST_OF_PERSON_BYTES = 2 * 1024 * 1024 * 1024

/** How the columns of a file are matched. */
export const mappingSchema = object({
  targets: array(
    string()
      .oneOf(['', ...ALL_TARGETS])
      .defined(),
  )
    .min(2)
    .max(MOST_COLUMNS)
    .required(),
  dateOrder: string()
    .oneOf(['year-month-day', 'day-month-year', 'month-day-year'], 'Say in which order the dates give day and month.')
    .required('Say in which order the dates give day and month.'),
  decimal: string().oneOf(['point', 'comma']).required(),
  profile: number().integer().nullable().default(null),
  site: number().integer().nullable().default(null),
  /** What kind of data the file holds. */
  dataset: string()
    .oneOf(
      FILE_DATASETS.map(({ id }) => id),
      'Choose what the file holds from the list.',
    )
    .default(PROFILE_DAY.id),
})
/** Which dataset a template is of. */
export const templateSchema = object({
  dataset: string()
    .oneOf(
      FILE_DATASETS.map(({ id }) => id),
      'There is a template for what files can bring alone.',
    )
    .default(PROFILE_DAY.id),
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
  /**
   * The line with which the file ends without a line break, when it was read as good: it may have been cut off. Absent
   * in checks of before this was told.
   */
  openLine?: number | null
}

export interface BadRow {
  line: number
  reason: string
  cells: string[]
}

export type ImportState =
  | 'uploading'
  | 'opening'
  | 'uploaded'
  | 'checking'
  | 'checked'
  | 'applying'
  | 'applied'
  | 'undoing'
  | 'undone'
  | 'failed'

/** An import as a person sees it, with how its file is laid out. */
export interface ImportView extends ImportHead {
  /** Absent until the file has been opened. */
  layout: Layout | null
  mapping: Partial<Mapping> | null
}

/** An import as it stands in a list. */
export interface ImportHead {
  id: number
  fileName: string
  /** The kind of data that it holds. */
  dataset: string
  bytes: number
  state: ImportState
  summary: ImportSummary | null
  createdBy: string | null
  createdAt: Date
  appliedAt: Date | null
  appliedRows: number
  /** Whether days stand as this import has written them. */
  hasWritten: boolean
}
