import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Gives a profile’s network the posts that have come to their time; its subject is the profile. */
export const PUBLISH = {
  kind: 'publish',
  payload: object({}),
  priority: 0,
  writesFigures: false,
} satisfies JobDeclaration

/** Looks which posts have come to their time. */
export const PUBLISH_DUE = {
  kind: 'publish.due',
  payload: object({}),
  priority: 0,
  writesFigures: false,
} satisfies JobDeclaration
