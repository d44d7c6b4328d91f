import { number, object, string, type InferType } from 'yup'
import { whoField } from '../figures/scope'
import { dayField } from '../platform/day'

/** A target as a person sets it. */
export const targetSchema = object({
  metric: string().required('Choose a metric.').max(40),
  who: whoField().default('all'),
  wanted: number().typeError('Write the wanted value as a number.').required('Write the wanted value.').min(0, 'A target is zero at least.').max(1e12, 'That is too large.'),
  from: dayField(),
  by: dayField(),
})
export type TargetInput = InferType<typeof targetSchema>
