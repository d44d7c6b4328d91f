import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Looks what rivals did that is not as usual, in what is known of them. */
export const FIELD_WATCH = {
  kind: 'field.watch',
  payload: object({}),
  priority: 5,
  writesFigures: false,
} satisfies JobDeclaration

/** Asks the networks whether a rival is where it was not. */
export const FIELD_SEEK = {
  kind: 'field.seek',
  payload: object({}),
  priority: 6,
  writesFigures: false,
} satisfies JobDeclaration

/** Looks whose rivals are to be watched. */
export const WATCH_DUE = {
  kind: 'watch.due',
  payload: object({}),
  priority: 1,
  writesFigures: false,
} satisfies JobDeclaration

/** Looks whose rivals are to be sought on other networks. */
export const SEEK_DUE = {
  kind: 'seek.due',
  payload: object({}),
  priority: 1,
  writesFigures: false,
} satisfies JobDeclaration
