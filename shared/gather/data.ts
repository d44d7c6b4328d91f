import { IANAZone } from 'luxon'
import { array, number, object, string, type InferType } from 'yup'
import type { JobView } from '../platform/jobs'
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

/** In which forms a client's data is taken away. */
export const PACKAGE_FORMATS = ['csv', 'parquet'] as const
export const packageSchema = object({
  format: string().oneOf(PACKAGE_FORMATS, 'All data comes as CSV or as Parquet.').default('csv'),
  pictures: string().oneOf(['with', 'without'], 'All data comes with pictures or without.').default('with'),
})

/** How large a package can be that is taken in, in bytes. */
export const LARGEST_PACKAGE_BYTES = 2048 * 1024 * 1024

/** What a package says of itself (its datapackage.json), as far as it is read when it is taken in. */
export const packageHeadSchema = object({
  version: string().oneOf(['1'], 'this version of the application reads packages of version 1.').required(),
  client: object({
    timeZone: string()
      .required()
      .test('zone', 'the client’s time zone is none that there is.', (zone = '') => IANAZone.isValidZone(zone)),
    universe: number().integer().min(0).max(4_294_967_295).nullable().default(null),
    website: string().max(300).default(''),
    intendedAudience: string().max(2000).default(''),
  }).required(),
  resources: array(
    object({
      name: string().required().max(40),
      path: string().required().max(200),
      format: string().oneOf(['csv'], 'only packages of CSV can be taken in, this one is of ${value}.').required(),
    }).required(),
  )
    .max(100)
    .required(),
})
export type PackageHead = InferType<typeof packageHeadSchema>

/** Whether a package can be taken in, and how it went with the last one. */
export interface TakingState {
  isEmpty: boolean
  job: JobView | null
}
