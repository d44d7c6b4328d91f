import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Fills the slots of every list that is switched on. */
export const REFILL_DUE = {
  kind: 'refill.due',
  payload: object({}),
  priority: 2,
  writesFigures: false,
} satisfies JobDeclaration
