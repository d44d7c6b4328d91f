import { object } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/** Looks at the entries of a directory; its subject is the directory. */
export const ENTRIES_POLL = {
  kind: 'entries.poll',
  payload: object({}),
  priority: 5,
  writesFigures: false,
} satisfies JobDeclaration

/** Sends what a directory is asked to say instead; its subject is the directory. */
export const ENTRIES_SEND = {
  kind: 'entries.send',
  payload: object({}),
  priority: 3,
  writesFigures: false,
} satisfies JobDeclaration

/** Looks whose entries are to be looked at. */
export const ENTRIES_DUE = {
  kind: 'entries.due',
  payload: object({}),
  priority: 1,
  writesFigures: false,
} satisfies JobDeclaration
