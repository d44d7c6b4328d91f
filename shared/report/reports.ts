import { array, number, object, type InferType } from 'yup'
import { againstField } from '../figures/scopeFields'
import { text } from '../platform/text'
import { blockSchema } from './blocks'
import type { Block } from './blocks'

/**
 * A report as it is saved. `version` is the one that was opened: somebody else's change in between is not written over.
 */
export const reportSchema = object({
  title: text().required('A report needs a title.').max(160, 'Keep the title under 160 characters.'),
  period: text().required('A report needs a period.').max(60),
  against: againstField().required(),
  blocks: array(blockSchema).max(60, 'A report can have 60 blocks.').required(),
  version: number().integer().required(),
})
export type ReportInput = InferType<typeof reportSchema>

/** A new report. */
export const newReportSchema = object({
  title: text().required('A report needs a title.').max(160, 'Keep the title under 160 characters.'),
  blocks: array(blockSchema).max(60, 'A report can have 60 blocks.').default([]),
})

/** A report as it stands in a list. */
export interface ReportHead extends Omit<Report, 'blocks'> {
  blocks: number
}

/** A report as it is kept. */
export interface Report {
  id: number
  title: string
  period: string
  against: string
  blocks: Block[]
  version: number
  changedAt: Date
  editions: number
}
