import { number, object, string } from 'yup'
import type { JobDeclaration } from '../../platform/jobs/job'

/**
 * Issues an edition: of which report, after which wish, for whom and, if somebody has looked at it before, with which
 * checksum.
 */
export const EDITION_ISSUE = {
  kind: 'edition.issue',
  priority: 0,
  writesFigures: false,
  payload: object({
    reportId: number().integer().required(),
    requestKey: string().uuid().required(),
    person: number().integer().nullable().defined(),
    sha256: string().length(64),
  }),
} satisfies JobDeclaration

/** Prints an edition; its subject is the edition. */
export const EDITION_PRINT = {
  kind: 'edition.print',
  payload: object({}),
  priority: 0,
  writesFigures: false,
} satisfies JobDeclaration
