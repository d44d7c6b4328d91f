import { number, object, string, type InferType } from 'yup'
import { whoField } from '../figures/scopeFields'
import { dayField } from '../platform/dayField'
import type { Figure } from '../../core/figures/figure'
import type { TargetProgress } from '../../core/targets/target'
import type { CheckedForecast, HoldOut } from '../../core/targets/checkedForecast'
import type { Day } from '../../core/days/day'

/** A target as a person sets it. */
export const targetSchema = object({
  metric: string().required('Choose a metric.').max(40),
  who: whoField().default('all'),
  wanted: number()
    .typeError('Write the wanted value as a number.')
    .required('Write the wanted value.')
    .min(0, 'A target is zero at least.')
    .max(1e12, 'That is too large.'),
  from: dayField(),
  by: dayField(),
})
export type TargetInput = InferType<typeof targetSchema>

/** A target with its progress, the pace needed and where it is heading. */
export interface TargetView extends TargetRow {
  whoWords: string
  isCeiling: boolean
  /** The figure so far: the sum or the rate since the first day, or the newest level. */
  figure: Figure
  /** Of a level: its count on the day before the target began. */
  start?: number
  progress: TargetProgress
  heading?: Pick<CheckedForecast, 'value' | 'low' | 'high'>
  /** How earlier forecasts of the same length came out on this metric's own past. */
  checked?: HoldOut
  /** Why there is no forecast. */
  reason?: string
}

/** A target as it is kept. */
export interface TargetRow {
  id: number
  metric: string
  who: string
  wanted: number
  from: Day
  by: Day
}

/** A target that cannot be worked out, and why: it is said where it stands, and can be changed there. */
export interface BrokenTarget extends TargetRow {
  problem: string
}
