import { number, object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Hands a post to the network of one profile; its subject is the number of the post, a colon and that of the profile. */
export const PUBLISH = {
  kind: 'publish',
  /** When somebody has decided that it goes out although it is late, in milliseconds since 1970 UTC. */
  payload: object({ decidedAt: number().optional() }),
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
