import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Looks where something stands in the results of a search; its subject is what is looked for. */
export const RANK_CHECK = {
  kind: 'ranks.check',
  payload: object({}),
  priority: 5,
  writesFigures: false,
} satisfies JobDeclaration

/** Looks which checks are due. */
export const RANKS_DUE = {
  kind: 'ranks.due',
  payload: object({}),
  priority: 1,
  writesFigures: false,
} satisfies JobDeclaration
